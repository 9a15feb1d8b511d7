'use client';

interface Props {
  label: string;
  columns: readonly string[];
  rows: readonly (readonly string[])[];
  onChange: (rows: string[][]) => void;
  /** Cells that do not read as what they should. */
  wrong?: (row: readonly string[], column: number) => boolean;
}

/** A small table typed cell by cell, or pasted from a spreadsheet; an empty row stands ready at its end. */
export function RowsField({ label, columns, rows, onChange, wrong }: Props) {
  const shown = [...rows, columns.map(() => '')];
  function set(i: number, j: number, text: string): void {
    const lines = text.includes('\n') || text.includes('\t') ? text.trim().split(/\r?\n/) : undefined;
    const next = shown.map((row) => [...row]);
    if (lines)
      lines.forEach((line, k) => {
        const cells = line.split('\t');
        next[i + k] ??= columns.map(() => '');
        cells.forEach((cell, l) => {
          if (j + l < columns.length) next[i + k][j + l] = cell.trim();
        });
      });
    else next[i][j] = text;
    onChange(next.filter((row) => row.some((cell) => cell !== '')));
  }
  return (
    <fieldset className="flex min-w-0 flex-col gap-1">
      <legend className="label">{label}</legend>
      <table className="w-full border-collapse text-[15px]">
        <thead>
          <tr>
            {columns.map((c) => (
              <th key={c} scope="col" className="text-left font-cond font-medium text-steel-700">
                {c}
              </th>
            ))}
            <td />
          </tr>
        </thead>
        <tbody>
          {shown.map((row, i) => (
            <tr key={i}>
              {row.map((cell, j) => (
                <td key={columns[j]} className="pr-1 pb-1">
                  <input
                    aria-label={`${columns[j]}, row ${i + 1}`}
                    aria-invalid={i < rows.length && wrong?.(row, j) ? true : undefined}
                    className="field h-9 w-full px-1.5"
                    value={cell}
                    onChange={(e) => set(i, j, e.target.value)}
                    onPaste={(e) => {
                      const text = e.clipboardData.getData('text');
                      if (!/[\t\n]/.test(text)) return;
                      e.preventDefault();
                      set(i, j, text);
                    }}
                  />
                </td>
              ))}
              <td>
                {i < rows.length && (
                  <button
                    type="button"
                    className="btn h-9 px-2.5"
                    aria-label={`Remove row ${i + 1}`}
                    onClick={() => onChange(rows.filter((_, k) => k !== i).map((r) => [...r]))}
                  >
                    ✕
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </fieldset>
  );
}
