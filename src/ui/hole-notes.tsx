import { allCautions, type HolePlan } from '@/core/hole/hole-plan';
import { tell, type Display } from '@/core/units/show';
import { later } from './later';

const Why = later(() => import('./why'));

/** Cautions of this hole's own, those that would spoil something first; how many are shown where the tab names a count. */
export const ownCautions = (plan: HolePlan) =>
  allCautions(plan)
    .filter((c) => !c.standing)
    .sort((a, b) => Number(a.level === 'note') - Number(b.level === 'note'));

interface Props {
  plan: HolePlan;
  display: Display;
  /** Leave out what would spoil part, tool or person, and why the drill changed: they stand elsewhere in the view. */
  notesOnly?: boolean;
}

/** What is to be known of this hole, then what was assumed; what holds at every machine stands behind one line. */
export function HoleNotes({ plan, display, notesOnly = false }: Props) {
  const own = ownCautions(plan).filter((c) => !notesOnly || (c.level === 'note' && c.code !== 'drill-learned'));
  const always = plan.cautions.filter((c) => c.standing);
  return (
    <>
      <ul className="mt-1 flex list-disc flex-col gap-1 pl-5">
        {own.map((c) => (
          <li key={`${c.subject} ${c.code}`} className={c.level === 'note' ? '' : 'font-bold'}>
            {tell(c, display)}
            <Why code={c.code} />
          </li>
        ))}
      </ul>
      {plan.assumptions.length > 0 && (
        <>
          <h3 className="mt-3 font-cond text-lg font-semibold">Assumptions</h3>
          <ul className="mt-1 list-disc pl-5">
            {plan.assumptions.map((a) => (
              <li key={tell(a, display)}>{tell(a, display)}</li>
            ))}
          </ul>
        </>
      )}
      {always.length > 0 && (
        <details className="mt-3">
          <summary className="min-h-9 cursor-pointer font-cond text-lg font-semibold">
            Always at this machine ({always.length})
          </summary>
          <ul className="list-disc pl-5">
            {always.map((c) => (
              <li key={c.code}>{tell(c, display)}</li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}
