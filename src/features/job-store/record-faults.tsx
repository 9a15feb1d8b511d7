import type { useRecords } from './use-records';

type Faults = Pick<ReturnType<typeof useRecords>, 'fault' | 'refused' | 'leaveOut'>;

/** What was recorded and is not with the server: why it waits, or why it will not have it, until somebody leaves it out. */
export function RecordFaults({ fault, refused, leaveOut }: Faults) {
  return (
    <>
      {fault && (
        <p role="alert" className="font-bold">
          {fault}
        </p>
      )}
      {refused.map(({ id, why }) => (
        <p key={id} role="alert" className="flex flex-wrap items-center gap-2">
          <span className="font-bold text-danger">Not recorded: {why}</span>
          <button type="button" className="btn h-9" onClick={() => leaveOut(id)}>
            Leave it out
          </button>
        </p>
      ))}
    </>
  );
}
