'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
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
      return new Promise((resolve, reject) => {
        const end = (): void => {
          own.terminate();
          if (worker.current === own) setReading(undefined);
        };
        own.onmessage = ({ data }: MessageEvent<ReadMessage>) => {
          if ('share' in data) setReading({ name, share: data.share });
          else {
            end();
            if ('result' in data) resolve(data.result as FileKinds[K]);
            else reject(new Error(data.fault));
          }
        };
        own.onerror = ({ message }) => {
          end();
          reject(new Error(message));
        };
        own.postMessage({ file, kind, unit } satisfies ReadRequest);
      });
    },
    [cancel],
  );
  return { reading, read, cancel };
}
