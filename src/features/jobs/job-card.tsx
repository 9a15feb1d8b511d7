import type { Job } from '@/contracts/job';
import type { RouteIssue } from '@/contracts/route-issue';
import { CORE_VERSION, type Phrase, type Result } from '@/core/answer/answer';
import { allCautions, refusals, type HolePlan } from '@/core/hole/hole-plan';
import { sectionOf } from '@/core/hole/section';
import { shopTime } from '@/core/units/shop-time';
import { tell, type Display } from '@/core/units/show';
import { PrintedSection } from '@/ui/drawings/printed-section';
import type { Paper } from '@/ui/paper';
import { PrintedPage } from '@/ui/printed-page';

interface Props {
  job: Job;
  material: string;
  plans: { id: string; name: string; callout: string; result: Result<HolePlan> }[];
  display: Display;
  paper: Paper;
  /** The route that it was made from; the job as it is where left out. */
  issue?: RouteIssue;
  /** Zone of the shop. */
  zone: string;
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

function HoleOnCard({ name, callout, result, display }: Props['plans'][number] & { display: Display }) {
  if (!result.ok)
    return (
      <section className="mt-3 border-t-2 border-black pt-1">
        <h2 className="text-[13pt] font-bold">{callout}</h2>
        <p className="font-bold">Can’t be made as drawn: {result.problems.map((p) => tell(p, display)).join(' ')}</p>
      </section>
    );
  const plan = result.value;
  const serious = seriousOf(plan);
  return (
    <section className="mt-2.5 break-inside-avoid border-t-2 border-black pt-1">
      <h2 className="flex items-baseline justify-between gap-2 text-[13pt] leading-tight font-bold">
        {callout} <span className="text-[9pt] font-normal">{name === callout ? '' : name}</span>
      </h2>
      <div className="mt-1 grid gap-x-3 sm:grid-cols-[minmax(0,1fr)_52mm] print:grid-cols-[minmax(0,1fr)_48mm]">
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
        <PrintedSection section={sectionOf(plan)} display={display} />
      </div>
      {serious.length > 0 && (
        <ul aria-label="Watch out" className="mt-1 border-2 border-black px-2 py-0.5 text-[9pt] leading-snug font-bold">
          {serious.map(({ key, said }) => (
            <li key={key}>! {tell(said, display)}</li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** The job on paper: the steps in order, figures, cautions, and a way back to the job. */
export function JobCard({ job, material, plans, display, paper, issue, zone, address, qrSvg }: Props) {
  const notes = plans.flatMap(({ result }) => (result.ok ? result.value.cautions.filter((c) => c.standing) : []));
  const once = notes.filter((c, i) => notes.findIndex((other) => other.code === c.code) === i);
  return (
    <PrintedPage paper={paper} label={`Card of ${job.name}`}>
      <header className="flex items-start justify-between gap-3">
        <div>
          <h1 className="text-[16pt] leading-tight font-bold">{job.name}</h1>
          <p className="text-[10pt]">
            {job.quantity} × {material}
          </p>
          {issue && (
            <p className="text-[10pt] font-bold">
              By route {issue.number}, issued {shopTime(Date.parse(issue.issuedAt), zone, 'date')}
            </p>
          )}
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
        {once.map((c) => tell(c, display)).join(' ')} Worked out by rules {issue?.coreVersion ?? CORE_VERSION}.
      </footer>
    </PrintedPage>
  );
}
