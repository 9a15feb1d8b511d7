'use client';

import type { useMissingDrill } from './use-missing-drill';

/** What was just marked missing, with undo; or why it could not be. */
export default function MissingDrill({ missing }: { missing: ReturnType<typeof useMissingDrill> }) {
  const { said, fault, undo } = missing;
  return (
    <p role="status" className="plate flex flex-wrap items-center gap-3 border-l-8 border-l-brass px-3 py-1">
      {fault ? (
        <strong className="text-danger">{fault}</strong>
      ) : (
        <>
          {said} is marked missing in the crib; answers are now without it.
          <button type="button" className="btn h-11 sm:h-9" onClick={undo}>
            Undo
          </button>
        </>
      )}
    </p>
  );
}
