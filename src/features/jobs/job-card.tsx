import type { Job } from '@/contracts/job';
import type { RouteIssue } from '@/contracts/route-issue';
import { CORE_VERSION, type Phrase, type Result } from '@/core/answer/answer';
import { allCautions, refusals, type HolePlan } from '@/core/hole/hole-plan';
import { sectionOf } from '@/core/hole/section';
import { cardLines, cardRows, isHandRow, type CardLine } from '@/core/run/card-line';
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

const Ticks = ({ row, display }: { row: CardLine[]; display: Display }) =>
  row.map((one) => (
    <span key={one.key} className="mr-3">
      <span aria-hidden>☐</span> {tell(one.head, display)}
    </span>
  ));

/** One line in large figures; hand work beside hand work, each with its box. */
function CardRow({ row, display }: { row: CardLine[]; display: Display }) {
  const [line] = row;
  if (isHandRow(row))
    return (
      <li className="border-b border-black/20 text-[9pt] leading-tight">
        <Ticks row={row} display={display} />
      </li>
    );
  return (
    <li className="grid grid-cols-[4mm_minmax(0,1fr)_auto_auto] items-baseline gap-x-2 border-b border-black/20">
      <span aria-hidden className="text-[10pt]">
        ☐
      </span>
      <strong className="font-cond text-[12pt] leading-[1.05]">{tell(line.head, display)}</strong>
      <span className="text-right leading-[1.05]">
        {line.speed && (
          <>
            <strong className="font-cond text-[13pt]">{line.speed.rpm.toFixed(0)}</strong>{' '}
            <span className="text-[9pt]">{line.speed.label}</span>
          </>
        )}
      </span>
      <strong className="text-right font-cond text-[13pt] leading-[1.05]">{line.set && tell(line.set, display)}</strong>
      {line.small.length > 0 && (
        <span className="col-span-3 col-start-2 text-[8.5pt] leading-tight">
          {line.small.map((p) => tell(p, display)).join(' ')}
        </span>
      )}
    </li>
  );
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
  const rows = cardRows(cardLines(plan));
  return (
    <section className="mt-1 break-inside-avoid border-t-2 border-black pt-0.5">
      <h2 className="flex items-baseline gap-2 text-[13pt] leading-none font-bold">
        {callout} <span className="text-[9pt] font-normal">{name === callout ? '' : name}</span>
        {isHandRow(rows[0]) && (
          <span className="ml-auto text-[9.5pt] font-normal">
            <Ticks row={rows[0]} display={display} />
          </span>
        )}
      </h2>
      <div className="grid gap-x-3 grid-cols-[minmax(0,1fr)_17mm]">
        <ol>
          {rows.slice(isHandRow(rows[0]) ? 1 : 0).map((row) => (
            <CardRow key={row[0].key} row={row} display={display} />
          ))}
        </ol>
        <div className="[&>svg]:max-h-[24mm] [&>svg]:w-full">
          <PrintedSection section={sectionOf(plan)} display={display} bare />
        </div>
      </div>
      {serious.length > 0 && (
        <ul aria-label="Watch out" className="mt-1 border-2 border-black px-2 text-[8.5pt] leading-snug font-bold">
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
            className="size-[16mm] [&>svg]:size-full"
            role="img"
            aria-label={`Code that opens ${address}`}
            dangerouslySetInnerHTML={{ __html: qrSvg }}
          />
        </figure>
      </header>
      {plans.length === 0 && <p className="mt-4">No holes in this job yet.</p>}
      {plans.map((p) => (
        <HoleOnCard key={p.id} {...p} display={display} />
      ))}
      <footer className="mt-1 border-t border-black pt-0.5 text-[6.5pt] leading-tight">
        {once.map((c) => tell(c, display)).join(' ')} Planned with rules version {issue?.coreVersion ?? CORE_VERSION}.
      </footer>
    </PrintedPage>
  );
}
