import { useState } from 'react';
import {
  COLUMN_FIELDS,
  guessColumns,
  isEnough,
  type ColumnField,
  type ColumnMap,
  type TableHead,
} from '@/core/formats/table-columns';
import { SelectField } from '@/ui/field';

const KEY = 'jolly-bit columns';

/** What was said of tables with these headings before, in this browser. */
function remembered(headings: readonly string[]): ColumnMap | undefined {
  try {
    return (JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, ColumnMap>)[headings.join('\t')];
  } catch {
    return undefined;
  }
}

function remember(headings: readonly string[], map: ColumnMap): void {
  try {
    const all = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, ColumnMap>;
    localStorage.setItem(KEY, JSON.stringify({ ...all, [headings.join('\t')]: map }));
  } catch {
    // Not remembered: it is asked again.
  }
}

interface Props {
  head: TableHead;
  onUse: (map: ColumnMap) => void;
}

/** Which column holds what, guessed from the headings, with the first rows beside it. */
export function ColumnMapping({ head: { headings, rows }, onUse }: Props) {
  const [map, setMap] = useState<ColumnMap>(() => remembered(headings) ?? guessColumns(headings));
  const choose = (field: ColumnField, heading: string): void =>
    setMap(({ [field]: _, ...rest }) => (heading === '' ? rest : { ...rest, [field]: heading }));
  return (
    <section aria-label="Columns of the table" className="plate flex flex-col gap-2 border-l-8 border-l-brass p-3">
      <p className="font-bold">Which column holds what?</p>
      <div className="grid grid-cols-2 gap-2">
        {(Object.keys(COLUMN_FIELDS) as ColumnField[]).map((field) => (
          <SelectField
            key={field}
            label={COLUMN_FIELDS[field]}
            value={map[field] ?? ''}
            onChange={(heading) => choose(field, heading)}
          >
            <option value="">none</option>
            {headings.map((h, i) => (
              <option key={i} value={h}>
                {h}
              </option>
            ))}
          </SelectField>
        ))}
      </div>
      <div className="overflow-x-auto">
        <table className="text-sm">
          <thead>
            <tr>
              {headings.map((h, i) => (
                <th key={i} scope="col" className="pr-3 text-left">
                  {h}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                {headings.map((_, j) => (
                  <td key={j} className="border-t border-steel-200 pr-3">
                    {row[j]}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <button
        type="button"
        className="btn-next self-start"
        disabled={!isEnough(map)}
        onClick={() => {
          remember(headings, map);
          onUse(map);
        }}
      >
        {isEnough(map) ? 'Preview with these' : 'Name the size or callout, and both of X and Y'}
      </button>
    </section>
  );
}
