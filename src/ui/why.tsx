'use client';

import { useState } from 'react';
import { reasonOfCaution } from '@/core/answer/reasons';
import { later } from './later';
import { useUnits } from './units';

const LivePilot = later(() => import('./live/live-pilot'));

/** The reason of the trade behind a caution, on demand; nothing where it says so itself. */
export default function Why({ code }: { code: string }) {
  const { display } = useUnits();
  const [open, setOpen] = useState(false);
  const reason = reasonOfCaution(code);
  if (!reason) return null;
  return (
    <>
      {' '}
      <button
        type="button"
        className="link min-h-9 px-1 text-[15px] font-normal"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        why
      </button>
      {open && (
        <span className="block text-[15px] font-normal text-ink">
          {reason.says}{' '}
          {reason.href && (
            <a className="link" href={reason.href}>
              Open the why page
            </a>
          )}
          {code.startsWith('pilot-') && <LivePilot display={display} />}
        </span>
      )}
    </>
  );
}
