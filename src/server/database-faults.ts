/** A database that cannot be used: what is wrong with it and what to do, each a sentence part of its own. */
export class UnusableDatabase extends Error {
  constructor(
    readonly what: string,
    readonly remedy: string,
  ) {
    super(`The database ${what}. ${remedy}`);
  }
}

/** SQLite's own code in an error or in what caused it, like SQLITE_BUSY; undefined for any other fault. */
export function sqliteCode(error: unknown): string | undefined {
  for (let at = error, depth = 0; at instanceof Error && depth < 6; at = at.cause, depth++) {
    const { code } = at as { code?: unknown };
    if (typeof code === 'string' && code.startsWith('SQLITE_')) return code;
    const said = /SQLITE_[A-Z_]+/.exec(at.message)?.[0];
    if (said) return said;
  }
  return undefined;
}

const BY_CODE: [code: RegExp, what: string, remedy: string][] = [
  [/NOTADB/, 'is no database', 'Name another file in DATABASE_URL, or move this one away to begin a new one.'],
  [/CORRUPT/, 'is damaged', 'Put it aside and bring back a copy from its backups folder.'],
  [/READONLY|PERM/, 'cannot be written', 'Give this user the right to write the file and its folder.'],
  [/FULL|IOERR/, 'has no room left on its disk, or the disk fails', 'Make room, then start again.'],
  [/BUSY|LOCKED/, 'is in use by another program', 'End the other server, or give this one a file of its own.'],
];

/** Any fault in opening a database, as one sentence about it with what to do. */
export function unusable(error: unknown, name: string, exists: boolean): UnusableDatabase {
  if (error instanceof UnusableDatabase) return new UnusableDatabase(`${name} ${error.what}`, error.remedy);
  const code = sqliteCode(error) ?? '';
  const [, what, remedy] = BY_CODE.find(([pattern]) => pattern.test(code)) ?? [
    undefined,
    `cannot be ${exists ? 'opened' : 'made'} (${(error as Error).message.split('\n')[0].slice(0, 200)})`,
    'See that its folder is there and that this user may write in it.',
  ];
  return new UnusableDatabase(`${name} ${what}`, remedy);
}
