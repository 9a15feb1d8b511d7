import { csvFeature } from './csv-features';
import { download } from '@/ui/file-preview';
import type { PlateState } from './use-plate';

interface Props {
  state: PlateState;
  name: string;
  jobId: string;
  letters: ReadonlyMap<string, string>;
}

/** The face or the whole part as a file, and as a template to print. */
export function Export({ state: { plan, laid, face }, name, jobId, letters }: Props) {
  const base = `${name.replace(/[^\w-]+/g, '-').toLowerCase()}-${face}`;
  const label = (id: string): string => {
    const hole = plan.holes.find((h) => h.id === id);
    return `${letters.get(id) ?? ''} ${hole?.question.callout ?? ''}`.trim();
  };

  async function out(kind: 'dxf' | 'csv' | 'svg' | 'json'): Promise<void> {
    if (kind === 'dxf')
      download(`${base}.dxf`, 'image/vnd.dxf', (await import('@/core/formats/plate-dxf')).writePlateDxf(laid, label));
    else if (kind === 'svg')
      download(`${base}.svg`, 'image/svg+xml', (await import('@/core/formats/plate-svg')).writePlateSvg(laid, label));
    else if (kind === 'csv') {
      const { writePlateCsv } = await import('@/core/formats/plate-csv');
      download(`${base}.csv`, 'text/csv', writePlateCsv(plan.holes.map(csvFeature)));
    } else {
      const file = { format: 'jolly-bit part', version: 1, name, part: plan.part, features: plan.holes };
      download(`${base}.json`, 'application/json', JSON.stringify(file, null, 2));
    }
  }

  return (
    <section className="flex flex-col gap-2">
      <h2 className="font-cond text-lg font-semibold">Export</h2>
      <div className="flex flex-wrap gap-1.5">
        {(['dxf', 'csv', 'svg', 'json'] as const).map((kind) => (
          <button key={kind} type="button" className="btn" onClick={() => void out(kind)}>
            {kind.toUpperCase()}
          </button>
        ))}
      </div>
      <p className="flex flex-wrap gap-1.5">
        {(['a4', 'letter'] as const).map((paper) => (
          <a key={paper} className="btn" href={`/jobs/${jobId}/template.pdf?face=${face}&paper=${paper}`}>
            Template 1:1, {paper === 'a4' ? 'A4' : 'letter'}
          </a>
        ))}
      </p>
      <p className="text-sm text-steel-700">
        DXF and SVG hold the {face} face at true size; CSV and JSON the whole part.{' '}
        <a className="link" href="/api/part-file.schema.json">
          Schema of the JSON
        </a>
      </p>
    </section>
  );
}
