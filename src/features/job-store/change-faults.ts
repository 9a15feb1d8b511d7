import '@/contracts/plain-errors';
import { jobPatch } from '@/contracts/job-change';
import { wordOf, type LocalChange } from './job-document';

/** Parts of a path that people have no name for. */
const NOT_SAID = /^(head|set|features|add|question|overrides|edits|\d+)$/;

/** What the server would refuse of a change, in words, each with its field: it is not sent then. */
export function faultsOf(change: LocalChange): string[] {
  const read = jobPatch.safeParse(change);
  if (read.success) return [];
  const said = read.error.issues.map(({ path, message }) => {
    const names = path.map(String).filter((part) => !NOT_SAID.test(part));
    const name = names.map(wordOf).join(' ');
    return name === '' ? message : `${name.charAt(0).toUpperCase()}${name.slice(1)}: ${message}`;
  });
  return [...new Set(said)];
}
