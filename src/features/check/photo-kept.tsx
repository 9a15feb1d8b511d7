'use client';

import { useState } from 'react';
import type { RecordKept } from '@/contracts/record';
import { send } from '@/ui/send';

interface Props {
  jobId: string;
  /** Id of the record that it was kept with. */
  recordId: string;
}

/** A photograph that was kept with a record: fetched when it is asked for. */
export function PhotoKept({ jobId, recordId }: Props) {
  const [image, setImage] = useState<string>();
  const [fault, setFault] = useState<string>();
  async function show(): Promise<void> {
    const got = await send<{ records: RecordKept[] }>('GET', `/api/v1/jobs/${jobId}/records?kind=photo`);
    if (!got.ok) return setFault(got.fault);
    const found = got.value.records.find((r) => r.id === recordId);
    if (found?.kind === 'photo') setImage(found.body.image);
    else setFault('The photograph has not reached the server yet.');
  }
  return (
    <section aria-label="Photograph kept" className="plate flex flex-col gap-2 p-2">
      {image ? (
        <img src={image} alt="The photograph from which the position was measured" className="w-full" />
      ) : (
        <button type="button" className="btn" onClick={() => void show()}>
          Show the photograph
        </button>
      )}
      {fault && <p role="alert">{fault}</p>}
    </section>
  );
}
