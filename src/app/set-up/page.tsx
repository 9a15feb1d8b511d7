import { USUAL_HABITS } from '@/core/shop/habits';
import { SetUpView } from '@/features/set-up/set-up-view';
import { shopRow } from '@/server/repositories/crib-repository';
import { isSampleThere } from '@/server/demo/sample-out';
import { database } from '@/server/start';

export const metadata = { title: 'Set up · Jolly Bit' };

export default async function SetUpPage() {
  const db = await database();
  const row = await shopRow(db);
  return (
    <SetUpView
      shop={{
        version: row?.version ?? 1,
        units: row?.units ?? 'mm',
        habits: { ...USUAL_HABITS, ...row?.habits },
        hasSample: await isSampleThere(db),
      }}
    />
  );
}
