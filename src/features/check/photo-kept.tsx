'use client';

import { useQuery } from '@tanstack/react-query';
import type { RecordKept } from '@/contracts/record';
import { send } from '@/ui/send';

interface Props {
  jobId: string;
  /** Id of the record that it was kept with. */
  recordId: string;
}

/** A photograph that was kept with a record: fetched when it is asked for. */
export function PhotoKept({ jobId, recordId }: Props) {
  const { data, isFetching, refetch } = useQuery({
    queryKey: ['photo', recordId],
    // Asked for by the key, and again by it where it has not arrived yet.
    enabled: false,
    // A picture is too large for what is kept of the reads.
    networkMode: 'always',
    meta: { keptApart: true },
    queryFn: () =>
      send<{ records: RecordKept[] }>('GET', `/api/v1/jobs/${jobId}/records?id=${encodeURIComponent(recordId)}`),
  });
  const [record] = data?.ok ? data.value.records : [];
  const image = record?.kind === 'photo' ? record.body.image : undefined;
  const fault = data && !data.ok ? data.fault : data && !image && 'The photograph has not reached the server yet.';
  return (
    <section aria-label="Photograph kept" className="plate flex flex-col gap-2 p-2">
      {image ? (
        <img src={image} alt="The photograph from which the position was measured" className="w-full" />
      ) : (
        <button type="button" className="btn" disabled={isFetching} onClick={() => void refetch()}>
          Show the photograph
        </button>
      )}
      {fault && <p role="alert">{fault}</p>}
    </section>
  );
}
