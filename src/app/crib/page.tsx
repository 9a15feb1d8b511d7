import { CribView } from '@/features/crib/crib-view';
import { database } from '@/server/database';
import { listDrillCases, listMachines, shopRow } from '@/server/repositories/crib-repository';

export const metadata = { title: 'Crib' };

export default async function CribPage() {
  const db = await database();
  const [machines, cases, row] = await Promise.all([listMachines(db), listDrillCases(db), shopRow(db)]);
  return (
    <CribView
      shopName={row?.name ?? ''}
      machines={machines}
      cases={cases}
      habits={{
        version: row?.version ?? 1,
        units: row?.units ?? 'mm',
        stepRule: row?.stepRule ?? 'auto',
        tapNames: row?.tapNames ?? 'taper-plug-bottoming',
        formedLooser: row?.formedLooser ?? false,
      }}
    />
  );
}
