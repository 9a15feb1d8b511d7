import type { HoleAt } from '@/core/run/bench-record';
import type { RunOfIssue } from '@/core/run/run-of-issue';

/** So many that wait are listed at once. */
const MOST_LISTED = 12;

interface Props {
  waiting: RunOfIssue['run']['waiting'];
  nameOf: (at: HoleAt) => string;
  onOpen: (at: HoleAt) => void;
}

/** Holes that wait for somebody to decide what becomes of them. */
export function WaitingList({ waiting, nameOf, onOpen }: Props) {
  if (waiting.length === 0) return null;
  return (
    <div role="alert" className="plate border-l-8 border-l-danger p-2">
      <ul>
        {waiting.slice(0, MOST_LISTED).map(({ at, because }) => (
          <li key={because.id}>
            <button type="button" className="link min-h-11 font-bold text-danger" onClick={() => onOpen(at)}>
              ! {nameOf(at)}, part {at.part}:{' '}
              {because.kind === 'tap-broken' ? 'a tap broke in it' : `${because.body.check} is not good`}. Decide.
            </button>
          </li>
        ))}
        {waiting.length > MOST_LISTED && <li>And {waiting.length - MOST_LISTED} more after these.</li>}
      </ul>
    </div>
  );
}
