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
  [/NOTADB/, 'is no database', 'Set DATABASE_URL to another file, or move this one away to start a new one.'],
  [/CORRUPT/, 'is damaged', 'Move it away and restore a copy from its backups folder.'],
  [/READONLY|PERM/, 'cannot be written', 'Let this user write the file and its folder.'],
  [/FULL|IOERR/, 'has no room left on its disk, or the disk is failing', 'Free some space, then start again.'],
  [/BUSY|LOCKED/, 'is in use by another program', 'Stop the other server, or give this one its own file.'],
];

/** Any fault in opening a database, as one sentence about it with what to do. */
export function unusable(error: unknown, name: string, exists: boolean): UnusableDatabase {
  if (error instanceof UnusableDatabase) return new UnusableDatabase(`${name} ${error.what}`, error.remedy);
  const code = sqliteCode(error) ?? '';
  const [, what, remedy] = BY_CODE.find(([pattern]) => pattern.test(code)) ?? [
    undefined,
    `cannot be ${exists ? 'opened' : 'made'} (${(error as Error).message.split('\n')[0].slice(0, 200)})`,
    'Check that its folder exists and that this user may write in it.',
  ];
  return new UnusableDatabase(`${name} ${what}`, remedy);
}
