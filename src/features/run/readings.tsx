import { isComplete, type Check, type CheckField } from '@/core/gauging/checks-of';
import type { Display } from '@/core/units/show';
import type { Entries } from './use-entries';

const readingNeeded = ({ unit, signed }: CheckField): string =>
  unit === 'turns' ? 'Turns, such as 2.5' : signed ? 'Such as 0.05 or -0.05' : 'A length above 0';

interface Props {
  check: Check;
  entries: Entries;
  display: Display;
  onSave: (values: Record<string, number>) => void;
}

/** What is typed or sent for one check, and the keys that record it. */
export function Readings({ check, entries: { textOf, isWrong, valuesOf, put }, display, onSave }: Props) {
  const values = valuesOf(check);
  const ready = check.fields.length > 0 && isComplete(check, values);
  return (
    <div className="mt-1 flex flex-wrap items-end gap-3">
      {check.fields.map((f) => (
        <label key={f.id} className="flex flex-col gap-1.5">
          <span className="label">
            {f.label}
            {f.unit === 'turns' ? '' : display === 'inch' ? ', in' : ', mm'}
          </span>
          <input
            data-reading={f.reading}
            className="field h-14 w-36 text-xl"
            inputMode="decimal"
            value={textOf(check, f)}
            aria-invalid={isWrong(check, f)}
            onChange={(e) => put([{ check, field: f, text: e.target.value }])}
            onKeyDown={(e) => {
              if (e.key === 'Enter' && ready) onSave(values);
            }}
          />
          {isWrong(check, f) && (
            <span role="alert" className="text-[15px] font-bold text-danger">
              {readingNeeded(f)}
            </span>
          )}
        </label>
      ))}
      {check.answers ? (
        check.answers.map((answer, no) => (
          <button key={answer} type="button" className="btn h-14" onClick={() => onSave({ yes: 1 - no })}>
            {answer}
          </button>
        ))
      ) : (
        <>
          <button type="button" className="btn-next h-14" disabled={!ready} onClick={() => onSave(values)}>
            Record
          </button>
          {check.usual?.map((u) => (
            <button key={u.label} type="button" className="btn h-14" onClick={() => onSave(u.values)}>
              {u.label}
            </button>
          ))}
        </>
      )}
    </div>
  );
}
