'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { refuse } from '@/core/answer/answer';
import { fileProblem } from '@/core/formats/imported';
import type { LengthUnit } from '@/core/units/length';
import type { FileKinds, ReadMessage, ReadRequest } from '@/workers/read-file';

/** A file on its way in. */
export interface ReadingFile {
  name: string;
  /** How much of it is read, 0 to 1. */
  share: number;
}

/** Reads files beside the page, so that it stays quick, with how far it is; a new one, or cancel, ends the one before. */
export function useFileReader() {
  const [reading, setReading] = useState<ReadingFile>();
  const worker = useRef<Worker>(undefined);
  const cancel = useCallback((): void => {
    worker.current?.terminate();
    worker.current = undefined;
    setReading(undefined);
  }, []);
  useEffect(() => cancel, [cancel]);

  const read = useCallback(
    <K extends keyof FileKinds>(name: string, file: Blob, kind: K, unit: LengthUnit): Promise<FileKinds[K]> => {
      cancel();
      setReading({ name, share: 0 });
      const own = new Worker(new URL('../workers/read-file.ts', import.meta.url), { type: 'module' });
      worker.current = own;
      return new Promise((resolve) => {
        const end = (): void => {
          own.terminate();
          if (worker.current === own) setReading(undefined);
        };
        // What keeps it from being read is said as what is wrong in it would be.
        const fail = (why: string): void => {
          end();
          const remedy = 'Try again; reload the page if it stays.';
          resolve(
            refuse(fileProblem('file-fault', 'The file could not be read: {why}', remedy, { why })) as FileKinds[K],
          );
        };
        own.onmessage = ({ data }: MessageEvent<ReadMessage>) => {
          if ('share' in data) setReading({ name, share: data.share });
          else {
            if ('fault' in data) return fail(data.fault);
            end();
            resolve(data.result as FileKinds[K]);
          }
        };
        own.onerror = ({ message }) => fail(message || 'the script that reads it did not load.');
        own.postMessage({ file, kind, unit } satisfies ReadRequest);
      });
    },
    [cancel],
  );
  return { reading, read, cancel };
}
