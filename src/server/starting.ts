import { existsSync, readFileSync, rmSync, writeFileSync } from 'node:fs';

/** What a server was at when it ended without having said so. */
export interface LeftBehind {
  jobId?: string;
  /** It was at the first record of that job that arrived after this one. */
  after?: number;
  /** It was the second time in a row that it ended at that record. */
  again?: true;
}

/**
 * Keeps beside the data what a running server is at, so that the next start knows how the last one ended.
 * @param file path of the database
 */
export function startMark(file: string) {
  const mark = `${file}.open`;
  return {
    /** What the last server left behind; undefined where it ended as it should. */
    left(): LeftBehind | undefined {
      if (!existsSync(mark)) return undefined;
      try {
        return JSON.parse(readFileSync(mark, 'utf8')) as LeftBehind;
      } catch {
        return {};
      }
    },
    /** @param before what the last server left behind */
    at: (now: LeftBehind, before?: LeftBehind): void => {
      const again = now.after !== undefined && now.jobId === before?.jobId && now.after === before?.after;
      writeFileSync(mark, JSON.stringify(again ? { ...now, again } : now), { mode: 0o600 });
    },
    ended: (): void => rmSync(mark, { force: true }),
  };
}
export type StartMark = ReturnType<typeof startMark>;
