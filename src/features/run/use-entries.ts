import { useMemo } from 'react';
import { holeKey, type HoleAt } from '@/core/run/bench-record';
import type { Check, CheckField } from '@/core/gauging/checks-of';
import { parseLength } from '@/core/units/length';
import type { Display } from '@/core/units/show';
import { useDraft } from '@/ui/use-draft';

/** A figure as typed: lengths in the unit shown, turns as a number; undefined where it is none that can be read there. */
function valueOf(text: string, { unit, signed }: CheckField, display: Display): number | undefined {
  const trimmed = text.trim();
  if (trimmed === '') return undefined;
  const negative = /^[-−]/.test(trimmed);
  if (negative && !signed) return undefined;
  const bare = negative ? trimmed.slice(1) : trimmed;
  const read = parseLength(bare, display === 'inch' ? 'in' : 'mm');
  const turns = Number(bare.replace(',', '.'));
  const value = unit === 'turns' ? (turns <= 1000 ? turns : undefined) : read.ok ? read.value.mm : undefined;
  if (value === undefined || Number.isNaN(value) || (value === 0 && unit === 'mm' && !signed)) return undefined;
  return negative ? -value : value;
}
export const lengthText = (mm: number, display: Display): string =>
  String(Number(display === 'inch' ? (mm / 25.4).toFixed(4) : mm.toFixed(3)));

/** A figure that is not recorded yet. */
interface Entry {
  text: string;
  /** Unit that was shown when it was typed or sent. */
  typedIn: Display;
  /** The instrument that sent it. */
  by?: string;
}

function entriesIn(draft: string): Record<string, Entry> {
  try {
    return draft === '' ? {} : (JSON.parse(draft) as Record<string, Entry>);
  } catch {
    return {};
  }
}

/**
 * What was typed or sent for the checks of a hole and is not recorded yet: each hole keeps its own, in every view and through
 * a reload, and a length keeps its size when the unit changes.
 */
export function useEntries(jobId: string, at: HoleAt, display: Display) {
  const [draft, setDraft] = useDraft(`${jobId} checks`);
  const entries = useMemo(() => entriesIn(draft), [draft]);
  const hole = holeKey(at);
  const keyOf = (check: Check, f: CheckField): string => `${hole} ${check.kind} ${f.id}`;
  const write = (next: Record<string, Entry>): void =>
    setDraft(Object.keys(next).length === 0 ? '' : JSON.stringify(next));
  const without = (keys: readonly string[]): Record<string, Entry> =>
    Object.fromEntries(Object.entries(entries).filter(([key]) => !keys.includes(key)));
  const read = (check: Check, f: CheckField): number | undefined => {
    const entry = entries[keyOf(check, f)];
    return entry && valueOf(entry.text, f, entry.typedIn);
  };
  return {
    /** Its value in mm or turns; undefined where nothing that can be read stands there. */
    read,
    textOf: (check: Check, f: CheckField): string => {
      const { text = '', typedIn = display } = entries[keyOf(check, f)] ?? {};
      const value = typedIn === display || f.unit === 'turns' ? undefined : read(check, f);
      return value === undefined ? text : lengthText(value, display);
    },
    /** Every figure of a check that can be read, by its field. */
    valuesOf: (check: Check): Record<string, number> =>
      Object.fromEntries(
        check.fields.flatMap((f) => {
          const value = read(check, f);
          return value === undefined ? [] : [[f.id, value]];
        }),
      ),
    /** Something stands there that cannot be read. */
    isWrong: (check: Check, f: CheckField): boolean =>
      (entries[keyOf(check, f)]?.text ?? '').trim() !== '' && read(check, f) === undefined,
    byOf: (check: Check): string | undefined => check.fields.map((f) => entries[keyOf(check, f)]?.by).find(Boolean),
    /** Several at once: an instrument may send more than one figure. */
    put: (figures: readonly { check: Check; field: CheckField; text: string }[], by?: string): void =>
      write({
        ...entries,
        ...Object.fromEntries(
          figures.map(({ check, field, text }) => [keyOf(check, field), { text, typedIn: display, by }]),
        ),
      }),
    clear: (check: Check): void => write(without(check.fields.map((f) => keyOf(check, f)))),
  };
}

export type Entries = ReturnType<typeof useEntries>;
