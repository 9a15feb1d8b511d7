import { ok, type Result } from '../core/answer/answer';
import { readCribCsv, type CribFile } from '../core/formats/crib-csv';
import { readPlateCsv } from '../core/formats/plate-csv';
import { readPlateDxf } from '../core/formats/plate-dxf';
import type { Imported } from '../core/layout/imported';
import type { LengthUnit } from '../core/units/length';

/** What each kind of file is read as. */
export interface FileKinds {
  dxf: Result<Imported>;
  'plate-csv': Result<Imported>;
  'crib-csv': Result<CribFile>;
  text: Result<string>;
}
export interface ReadRequest {
  file: Blob;
  kind: keyof FileKinds;
  /** Where the file does not say. */
  unit: LengthUnit;
}
export type ReadMessage = { share: number } | { result: FileKinds[keyof FileKinds] } | { fault: string };

/** Reading the bytes is so much of the work; the rest is making sense of them. */
const BYTES_SHARE = 0.6;

async function textOf(file: Blob, heard: (share: number) => void): Promise<string> {
  const reader = file.stream().pipeThrough(new TextDecoderStream()).getReader();
  const parts: string[] = [];
  let read = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return parts.join('');
    parts.push(value);
    read += value.length;
    heard((BYTES_SHARE * read) / Math.max(1, file.size));
  }
}

const MAKE: { [K in keyof FileKinds]: (text: string, unit: LengthUnit) => FileKinds[K] } = {
  dxf: (text, unit) => readPlateDxf(text, unit === 'in' ? 25.4 : 1),
  'plate-csv': readPlateCsv,
  'crib-csv': readCribCsv,
  text: ok,
};

self.onmessage = async ({ data: { file, kind, unit } }: MessageEvent<ReadRequest>): Promise<void> => {
  const tell = (message: ReadMessage): void => self.postMessage(message);
  try {
    const text = await textOf(file, (share) => tell({ share }));
    tell({ result: MAKE[kind](text, unit) });
  } catch (error) {
    tell({ fault: (error as Error).message });
  }
};
