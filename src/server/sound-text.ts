import type { Client, InArgs, InStatement, Transaction } from '@libsql/client';

/** Escapes of a JSON text, one after the other, so that an escaped backslash begins none. */
const ESCAPE =
  /\\u([dD][89abAB][0-9a-fA-F]{2})\\u[dD][c-fC-F][0-9a-fA-F]{2}|\\u(?:[dD][89a-fA-F][0-9a-fA-F]{2}|0000)|\\[^]/g;
const HAS_ODD = /\\u(?:[dD][89a-fA-F]|0000)/;
const IS_ODD = /^\\u(?:[dD]|0000)/;
const isJson = (text: string): boolean => /^[{["]/.test(text);

/**
 * A text as the database can keep and read it. Half a pair, as such or as an escape in JSON, would end the process as soon as it
 * is read; a NUL would hide what follows it.
 */
export function soundText(text: string): string {
  const whole = text.toWellFormed().replaceAll('\0', '\ufffd');
  return isJson(whole) && HAS_ODD.test(whole)
    ? whole.replace(ESCAPE, (escape, paired) => (paired === undefined && IS_ODD.test(escape) ? '\\ufffd' : escape))
    : whole;
}

const sound = <T>(value: T): T => (typeof value === 'string' ? (soundText(value) as T) : value);
const soundArgs = (args: InArgs): InArgs =>
  Array.isArray(args)
    ? args.map(sound)
    : Object.fromEntries(Object.entries(args).map(([key, value]) => [key, sound(value)]));
const soundStatement = (s: InStatement): InStatement =>
  typeof s === 'string' || s.args === undefined ? s : { ...s, args: soundArgs(s.args) };

type Runs = Pick<Client | Transaction, 'execute' | 'batch'>;
function guard<T extends Runs>(over: T): T {
  const { execute, batch } = over;
  return Object.assign(over, {
    execute: (s: InStatement | string, args?: InArgs) =>
      typeof s === 'string' && args !== undefined
        ? execute.call(over, { sql: s, args: soundArgs(args) })
        : execute.call(over, soundStatement(s)),
    batch: (statements: InStatement[], ...rest: []) => batch.call(over, statements.map(soundStatement), ...rest),
  });
}

/** The one door to the database: whatever comes by it, what it keeps can be read again. */
export function soundClient(client: Client): Client {
  const { transaction } = client;
  return Object.assign(guard(client), {
    transaction: async (...mode: []) => guard(await transaction.apply(client, mode)),
  });
}
