import type { useRecords } from './use-records';

type Faults = Pick<
  ReturnType<typeof useRecords>,
  'fault' | 'refused' | 'leaveOut' | 'notKept' | 'clockAheadS' | 'gone' | 'lost' | 'sendLost' | 'leaveLost'
>;

const MINUTE = 60;
const HOUR = 3600;
const DAY = 86_400;
const STEPS = [
  [DAY, 'day'],
  [HOUR, 'hour'],
  [MINUTE, 'minute'],
  [1, 'second'],
] as const;

/** A length of time as one says it: 2 hours. */
function spanOf(seconds: number): string {
  const [size, name] = STEPS.find(([size]) => seconds >= size) ?? STEPS[3];
  const n = Math.round(seconds / size);
  return `${n} ${name}${n === 1 ? '' : 's'}`;
}

/** What was recorded and is not with the server: why it waits, or why it will not have it, until somebody leaves it out. */
export function RecordFaults({ fault, refused, leaveOut, ...about }: Faults) {
  const { notKept, clockAheadS: ahead, gone, lost } = about;
  return (
    <>
      {gone && (
        <p role="alert" className="font-bold">
          This job is not on the server any more. What you record here is kept, and counts when it is back.
        </p>
      )}
      {lost > 0 && (
        <p role="alert" className="flex flex-wrap items-center gap-2">
          <span className="font-bold">
            The server was restored from an older copy that lacks {lost === 1 ? 'one record' : `${lost} records`} of
            this job.
          </span>
          <button type="button" className="btn-next h-9" onClick={about.sendLost}>
            Send {lost === 1 ? 'it' : 'them'} again
          </button>
          <button type="button" className="btn h-9" onClick={about.leaveLost}>
            Leave {lost === 1 ? 'it' : 'them'} out
          </button>
        </p>
      )}
      {notKept && <p role="status">Not kept in this browser: {notKept}. Keep this page open until all is sent.</p>}
      {ahead !== undefined && (
        <p role="status">
          The clock here is {spanOf(Math.abs(ahead))} {ahead > 0 ? 'ahead' : 'behind'}: times are put right. Set it.
        </p>
      )}
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
