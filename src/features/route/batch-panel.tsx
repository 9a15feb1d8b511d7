'use client';

import { format, parseISO } from 'date-fns';
import type { RouteSettings } from '@/contracts/route';
import { routeSettings } from '@/contracts/route';
import type { Material } from '@/core/materials/material';
import { againstDeadline, changePoints, firstArticle, fluidMl, savings, timeShares } from '@/core/route/batch';
import type { Route } from '@/core/route/route';
import type { Shop } from '@/core/shop/shop';
import { useToday } from '@/ui/shop-clock';
import { tell, type Display } from '@/core/units/show';
import { TextField } from '@/ui/field';
import { doneOn, USUAL_HOURS, useDaysLeft } from './working-days';

interface Props {
  route: Route;
  material?: Material;
  shop: Pick<Shop, 'taps' | 'lives'>;
  settings: RouteSettings;
  decide: (change: (settings: RouteSettings) => RouteSettings, typing?: boolean) => void;
  display: Display;
  draft: BatchDraft;
  setDraft: (draft: BatchDraft) => void;
}

/** As typed. */
export interface BatchDraft {
  deadline: string;
  hours: string;
  every: string;
}

const minutes = (s: number): string => (s < 5400 ? `${(s / 60).toFixed(0)} min` : `${(s / 3600).toFixed(1)} h`);
const wrong = (field: 'deadline' | 'hoursPerDay' | 'checkEvery', value: unknown): string | undefined => {
  const checked = routeSettings.shape[field].safeParse(value);
  return checked.success ? undefined : checked.error.issues[0].message;
};

/** The batch: time against the deadline, where it goes, tools to change in time, what to measure first. */
export function BatchPanel({ route, material, shop, settings, decide, display, draft, setDraft }: Props) {
  const shares = timeShares(route);
  const changes = material ? changePoints(route, material, shop) : [];
  const checks = firstArticle(route);
  const numberOf = (text: string): number | undefined =>
    text.trim() === '' ? undefined : Number(text.replace(',', '.'));
  const hours = numberOf(draft.hours);
  const every = numberOf(draft.every);
  const errors = {
    deadline: draft.deadline === '' ? undefined : wrong('deadline', draft.deadline),
    hours: hours === undefined ? undefined : wrong('hoursPerDay', hours),
    every: every === undefined ? undefined : wrong('checkEvery', every),
  };
  const set = (change: Partial<BatchDraft>): void => {
    const next = { ...draft, ...change };
    setDraft(next);
    const read = {
      deadline: next.deadline || undefined,
      hoursPerDay: numberOf(next.hours),
      checkEvery: numberOf(next.every),
    };
    const given = Object.entries(read).filter(([, value]) => value !== undefined);
    if (given.some(([field, value]) => wrong(field as keyof typeof read, value))) return;
    decide(
      ({ deadline: _, hoursPerDay: _h, checkEvery: _e, ...rest }) => ({ ...rest, ...Object.fromEntries(given) }),
      true,
    );
  };
  const { deadline, hoursPerDay = USUAL_HOURS } = settings;
  const today = useToday();
  const daysLeft = useDaysLeft(deadline);
  const against = daysLeft === undefined ? undefined : againstDeadline(route, hoursPerDay, daysLeft);
  return (
    <section aria-label="Batch" className="plate flex flex-col gap-2 p-3">
      <h2 className="font-cond text-xl font-semibold">
        {route.quantity} {route.quantity === 1 ? 'part' : 'parts'}, {minutes(route.seconds)}
      </h2>
      <p className="text-[15px]">
        Cutting and finding the holes {minutes(shares.cuttingS)}, changes {minutes(shares.changesS)}, clamping{' '}
        {minutes(shares.clampingS + shares.otherS)}.
      </p>
      <ul aria-label="What would make it shorter" className="list-disc pl-5 text-[15px]">
        {savings(route).map((p) => (
          <li key={tell(p, display)}>{tell(p, display)}</li>
        ))}
      </ul>
      <details className="text-[15px]">
        <summary className="link min-h-8 cursor-pointer">How close to the shortest</summary>
        <p>
          No order takes less than {minutes(route.boundS)}: every change once, the shortest ways, one clamping for each
          part and face. No order has all of these at once.
        </p>
      </details>
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label="Deadline"
          value={draft.deadline}
          onChange={(d) => set({ deadline: d })}
          placeholder="2026-12-24"
          error={errors.deadline}
        />
        <TextField
          label="Hours a day"
          value={draft.hours}
          onChange={(h) => set({ hours: h })}
          placeholder="8"
          error={errors.hours}
          inputMode="decimal"
        />
        {route.quantity > 1 && (
          <TextField
            label="Gauge one part in"
            value={draft.every}
            onChange={(e) => set({ every: e })}
            placeholder="1: every part"
            error={errors.every}
            inputMode="decimal"
          />
        )}
      </div>
      {against && deadline && today && <AgainstDeadline against={against} daysLeft={daysLeft} today={today} />}
      <p className="text-[15px]">
        Fluid: about {Math.ceil(fluidMl(route) / 10) * 10} ml{material ? `, ${material.lubricant}` : ''}.
      </p>
      {changes.length > 0 && (
        <>
          <h3 className="font-cond text-lg font-semibold">Change in time</h3>
          <ul className="list-disc pl-5 text-[15px]">
            {changes.map((c) => (
              <li key={c.tool}>
                {c.tool}: after hole {c.changeAt.slice(0, 6).join(', ')}
                {c.changeAt.length > 6 && ' …'} of {c.uses}
              </li>
            ))}
          </ul>
        </>
      )}
      {checks.length > 0 && (
        <>
          <h3 className="font-cond text-lg font-semibold">First part: measure before the rest</h3>
          <ul className="list-disc pl-5 text-[15px]">
            {checks.map((p) => (
              <li key={tell(p, display)}>{tell(p, display)}</li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

interface AgainstProps {
  against: ReturnType<typeof againstDeadline>;
  daysLeft?: number;
  today: string;
}

/** How many days are needed and spared, and the day on which it is done. */
function AgainstDeadline({ against, daysLeft, today }: AgainstProps) {
  return (
    <div role="status">
      <p className={`font-bold ${against.spareDays < 0 ? 'text-danger' : 'text-pass'}`}>
        {daysLeft !== undefined && daysLeft <= 0
          ? '! Past the deadline'
          : against.spareDays < 0
            ? `! ${-against.spareDays} ${against.spareDays === -1 ? 'day' : 'days'} late`
            : `✓ ${against.spareDays} ${against.spareDays === 1 ? 'day' : 'days'} to spare`}
        {`${against.daysNeeded === 1 ? ': 1 working day is' : `: ${against.daysNeeded} working days are`} needed, done ${format(doneOn(parseISO(today), against.daysNeeded), 'EEE d MMM')}.`}
      </p>
    </div>
  );
}
