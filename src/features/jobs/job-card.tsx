import type { Job } from '@/contracts/job';
import { CORE_VERSION, type Phrase, type Result } from '@/core/answer/answer';
import { allCautions, mainCut, refusals, type HolePlan } from '@/core/hole/hole-plan';
import { depth, quantity } from '@/core/answer/answer';
import type { Cut } from '@/core/operation/operation';
import { showText, tell, type Display } from '@/core/units/show';
import { PAPERS, type Paper } from './paper';

interface Props {
  job: Job;
  material: string;
  plans: { id: string; name: string; callout: string; result: Result<HolePlan> }[];
  display: Display;
  paper: Paper;
  /** Address of the job and its picture as an SVG. */
  address: string;
  qrSvg: string;
}

/** Everything serious on a hole, each once: two of one kind about two operations are two lines. */
function seriousOf(plan: HolePlan): { key: string; said: Phrase }[] {
  return [
    ...refusals(plan).map((p) => ({ key: p.code, said: p })),
    ...plan.faults.map((f) => ({ key: `order ${f.key} ${f.against}`, said: f.why })),
    ...allCautions(plan)
      .filter((c) => c.level !== 'note')
      .map((c) => ({ key: `${c.subject} ${c.code}`, said: c })),
  ];
}

const drillFigures = ({ spec, speed, travel }: Cut, display: Display): [string, string][] => [
  ['drill', spec.tool.name],
  ['rev/min', speed.ok ? `${speed.value.rpm.toFixed(0)} (${speed.value.label})` : 'other machine'],
  ['full depth', spec.through ? 'through' : showText(depth(spec.fullMm), display)],
  ['stop from touch', showText(depth(travel.value), display)],
];

function HoleOnCard({ name, callout, result, display }: Props['plans'][number] & { display: Display }) {
  if (!result.ok)
    return (
      <section className="mt-3 border-t-2 border-black pt-1">
        <h2 className="text-[13pt] font-bold">{callout}</h2>
        <p className="font-bold">Not to be made as written: {result.problems.map((p) => tell(p, display)).join(' ')}</p>
      </section>
    );
  const plan = result.value;
  const main = mainCut(plan);
  const serious = seriousOf(plan);
  const limits = plan.thread?.limits;
  const best = plan.thread?.tapping.best;
  const figures: [string, string][] = [
    ...(main ? drillFigures(main, display) : []),
    ...(best
      ? ([
          ['tap turns', showText(quantity(best.turns.value, 'turns'), display)],
          [
            'minor diameter',
            limits
              ? `${showText({ value: limits.minorMinMm, unit: 'mm' }, display)} – ${showText({ value: limits.minorMaxMm, unit: 'mm' }, display)}`
              : 'plug gauge',
          ],
        ] as [string, string][])
      : []),
  ];
  return (
    <section className="mt-2.5 break-inside-avoid border-t-2 border-black pt-1">
      <h2 className="flex items-baseline justify-between gap-2 text-[13pt] leading-tight font-bold">
        {callout} <span className="text-[9pt] font-normal">{name === callout ? '' : name}</span>
      </h2>
      <dl className="mt-0.5 grid grid-cols-3 gap-x-2 gap-y-0.5 text-[9pt]">
        {figures.map(([label, value]) => (
          <div key={label}>
            <dt className="font-cond text-[8pt] leading-none">{label}</dt>
            <dd className="leading-tight font-bold">{value}</dd>
          </div>
        ))}
      </dl>
      <ol className="mt-1 text-[9pt] leading-snug">
        {plan.operations.map((step, i) => (
          <li key={step.key} className="grid grid-cols-[12px_16px_1fr]">
            <span aria-hidden>☐</span>
            <span>{i + 1}</span>
            <span>
              <strong>{tell(step.order, display)}</strong> {step.details.map((d) => tell(d, display)).join(' ')}
            </span>
          </li>
        ))}
      </ol>
      {serious.map(({ key, said }) => (
        <p key={key} className="mt-0.5 text-[9pt] leading-snug font-bold">
          ! {tell(said, display)}
        </p>
      ))}
    </section>
  );
}

/** The job on paper: the steps in order, figures, cautions, and a way back to the job. */
export function JobCard({ job, material, plans, display, paper, address, qrSvg }: Props) {
  const { width, height } = PAPERS[paper];
  const notes = plans.flatMap(({ result }) => (result.ok ? result.value.cautions.filter((c) => c.standing) : []));
  const once = notes.filter((c, i) => notes.findIndex((other) => other.code === c.code) === i);
  return (
    <article
      className="mx-auto bg-white p-[8mm] text-black shadow print:m-0 print:p-0 print:shadow-none"
      style={{ width, minHeight: height }}
      data-testid="card"
    >
      <style>{`@page { size: ${width} ${height}; margin: 8mm; } @media print { html, body { background: white; } article { width: auto !important; min-height: 0 !important; } }`}</style>
      <header className="flex items-start justify-between gap-3">
        <div>
          <h1 className="text-[16pt] leading-tight font-bold">{job.name}</h1>
          <p className="text-[10pt]">
            {job.quantity} × {material}
          </p>
          {job.notes && <p className="text-[9pt]">{job.notes}</p>}
        </div>
        <figure className="shrink-0 text-center">
          <div
            className="size-[22mm] [&>svg]:size-full"
            role="img"
            aria-label={`Code that opens ${address}`}
            dangerouslySetInnerHTML={{ __html: qrSvg }}
          />
          <figcaption className="text-[6pt]">the job</figcaption>
        </figure>
      </header>
      {plans.length === 0 && <p className="mt-4">No holes in this job yet.</p>}
      {plans.map((p) => (
        <HoleOnCard key={p.id} {...p} display={display} />
      ))}
      <footer className="mt-2.5 border-t border-black pt-1 text-[8pt] leading-snug">
        {once.map((c) => tell(c, display)).join(' ')} Worked out by rules {CORE_VERSION}.
      </footer>
    </article>
  );
}
