'use client';

import { useRouter } from 'next/navigation';
import { startTransition, useOptimistic, useState } from 'react';
import type { AsideChange } from '@/contracts/learned';
import { send } from '@/ui/send';

/** Leaves something out of what is learned, or takes it in again; the page is then worked out anew. */
export function useAside(): { change: (change: AsideChange) => Promise<void>; busy: boolean; fault?: string } {
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  return {
    busy,
    fault,
    change: async (change) => {
      setBusy(true);
      const sent = await send('PUT', '/api/v1/learned/aside', change);
      setFault(sent.ok ? undefined : sent.fault);
      setBusy(false);
      router.refresh();
    },
  };
}

interface Props {
  id: string;
  label: string;
  aside?: string;
}

/** Whether plans use it. */
export function AsideSwitch({ id, label, aside }: Props) {
  const { change, busy, fault } = useAside();
  const [isUsed, use] = useOptimistic(aside === undefined);
  return (
    <label className="flex min-h-11 items-center gap-2 whitespace-nowrap">
      <input
        type="checkbox"
        className="size-5 accent-ink"
        checked={isUsed}
        disabled={busy}
        aria-label={label}
        onChange={({ target: { checked } }) =>
          startTransition(async () => {
            use(checked);
            await change({ id, aside: !checked });
          })
        }
      />
      used
      {fault && (
        <span role="alert" className="text-danger">
          {fault}
        </span>
      )}
    </label>
  );
}
