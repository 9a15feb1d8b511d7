import { partFile } from '@/contracts/part-file';
import type { FeatureInput } from '@/contracts/job';
import type { Problem } from '@/core/answer/answer';
import { fileProblem, unreadableFile } from '@/core/formats/imported';
import type { Part } from '@/core/layout/part';

/** A part file of ours, checked whole: all of it is imported, or nothing. */
export function readPartFile(text: string): { whole?: { part: Part; holes: FeatureInput[] }; problems: Problem[] } {
  const unreadable = unreadableFile(text);
  if (unreadable) return { problems: [unreadable] };
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return {
      problems: [fileProblem('json-unreadable', 'The file is not valid JSON; it may be cut short.', 'Save it again.')],
    };
  }
  const checked = partFile.safeParse(value);
  if (!checked.success)
    return {
      problems: checked.error.issues.slice(0, 8).map((issue) =>
        fileProblem('json-field', '{path}: {what}', 'Correct the file; see the schema.', {
          path: issue.path.join('.') || 'file',
          what: issue.message,
        }),
      ),
    };
  const { part, features } = checked.data;
  return { whole: { part, holes: features }, problems: [] };
}
