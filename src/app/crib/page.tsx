import { USUAL_HABITS } from '@/core/shop/habits';
import { CribView } from '@/features/crib/crib-view';
import { zoneOfServer } from '@/server/services/zone-service';
import { database } from '@/server/start';
import {
  listDrillCases,
  listMachines,
  listMaterials,
  listTaps,
  listTools,
  shopRow,
} from '@/server/repositories/crib-repository';

export const metadata = { title: 'Crib' };

export default async function CribPage() {
  const db = await database();
  const [machines, cases, tools, taps, materials, row] = await Promise.all([
    listMachines(db),
    listDrillCases(db),
    listTools(db),
    listTaps(db),
    listMaterials(db),
    shopRow(db),
  ]);
  return (
    <CribView
      shopName={row?.name ?? ''}
      machines={machines}
      cases={cases}
      tools={tools}
      taps={taps}
      materials={materials}
      habits={{
        version: row?.version ?? 1,
        units: row?.units ?? 'mm',
        timeZone: row?.timeZone ?? zoneOfServer(),
        habits: { ...USUAL_HABITS, ...row?.habits },
      }}
    />
  );
}
