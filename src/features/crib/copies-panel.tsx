'use client';

import { useEffect, useState } from 'react';
import type { CopyList } from '@/contracts/backup';
import { useShopTime } from '@/ui/shop-clock';
import { send, type Sent } from '@/ui/send';

const SHOWN = 5;

/** Copies of all data: the last ones, and one made now. */
export function CopiesPanel() {
  const time = useShopTime();
  const [copies, setCopies] = useState<CopyList['copies']>();
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  function hear(got: Sent<CopyList>): void {
    setFault(got.ok ? undefined : got.fault);
    if (got.ok) setCopies(got.value.copies);
  }
  useEffect(() => {
    void send<CopyList>('GET', '/api/v1/backup').then(hear);
  }, []);
  async function copy(): Promise<void> {
    setBusy(true);
    hear(await send<CopyList>('POST', '/api/v1/backup'));
    setBusy(false);
  }
  return (
    <section className="plate flex flex-col gap-3 p-3">
      <h2 className="font-cond text-xl font-semibold">Backup</h2>
      <p className="text-[15px]">
        Every night all data is copied into the folder “backups” beside it; the last fourteen stay. “npm run restore”
        brings one back.
      </p>
      <button type="button" className="btn self-start" disabled={busy} onClick={() => void copy()}>
        {busy ? 'Copying…' : 'Back up now'}
      </button>
      {fault && (
        <p role="alert" className="font-bold text-danger">
          {fault}
        </p>
      )}
      {copies && (
        <ul className="text-[15px]" aria-label="Copies">
          {copies.slice(0, SHOWN).map(({ name, at }) => (
            <li key={name} className="border-t border-steel-200 py-1">
              {time(at, 'time')} <span className="text-steel-700">{name}</span>
            </li>
          ))}
          {copies.length === 0 && <li>No copy yet.</li>}
        </ul>
      )}
    </section>
  );
}
