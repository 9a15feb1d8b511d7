'use client';

import type { Job } from '@/contracts/job';
import type { HolePlan } from '@/core/hole/hole-plan';
import { sectionOf } from '@/core/hole/section';
import { headline, whereOf } from '@/core/inspection/bench-words';
import type { BenchStep } from '@/core/inspection/run';
import { faceSketch } from '@/core/job/face-sketch';
import { nameOfSetUp } from '@/core/route/batch';
import type { Route } from '@/core/route/route';
import { holeName } from '@/core/route/work-item';
import { turnStrip } from '@/core/tapping/turn-strip';
import { quantity } from '@/core/answer/answer';
import { showText, tell, type Display } from '@/core/units/show';
import { BeltRows } from '@/ui/drawings/belt-rows';
import { CoreSample } from '@/ui/drawings/core-sample';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import { StepLadder } from '@/ui/drawings/step-ladder';
import { TurnCounter } from './turn-counter';
import { DyeTimer } from './dye-timer';

interface Props {
  step: BenchStep;
  route: Route;
  job: Job;
  plan?: HolePlan;
  display: Display;
  signals: boolean;
}

const Label = ({ children }: { children: string }) => (
  <dt className="font-cond text-[24px] leading-none" style={{ color: 'var(--bench-quiet)' }}>
    {children}
  </dt>
);
const Figure = ({ children }: { children: string }) => (
  <dd
    className="font-cond text-[64px] leading-[0.95] font-semibold sm:text-[92px]"
    style={{ color: 'var(--bench-set)' }}
  >
    {children}
  </dd>
);

/** Rows of the belts for a speed, where the machine has pulleys that are known. */
function Belts({ plan, rpm }: { plan?: HolePlan; rpm?: number }) {
  const { machine } = plan ?? {};
  if (!machine?.pulleys || machine.speeds.kind !== 'steps') return null;
  const rows = machine.speeds.steps.find((s) => s.rpm === rpm)?.rows;
  return rows ? (
    <div className="dye p-1">
      <BeltRows pulleys={machine.pulleys} rows={rows} width={190} height={104} />
    </div>
  ) : null;
}

/** The face with this hole lit, and how the part is clamped. */
function Face({ step, job, route }: Pick<Props, 'step' | 'job' | 'route'>) {
  const { face } = route.setUps[step.setUp];
  const sketch = faceSketch(
    job.part,
    job.holes.filter((h) => !face || h.face === face),
  );
  if (!sketch) return null;
  const { item } = step;
  const own = sketch.holes.map((h, i) => ({ ...h, i })).filter((h) => h.letter === item?.letter);
  return <FaceDrawing sketch={sketch} letters className="h-full w-full" lit={own[(item?.hole ?? 0) - 1]?.i} />;
}

/** One operation, to be read from a metre and a half: what, with which tool, the figures to set, the drawing that matters. */
export function StepFace({ step, route, job, plan, display, signals }: Props) {
  const { item, setUp, newTool, newSpeed } = step;
  const at = route.setUps[setUp];
  if (!item)
    return (
      <div className="grid min-h-0 flex-1 gap-5 md:grid-cols-[minmax(0,1fr)_minmax(280px,40%)]">
        <div className="flex flex-col gap-4">
          <h1 className="font-cond text-[64px] leading-none font-semibold sm:text-[92px]">Clamp</h1>
          <p className="text-[30px] leading-tight">
            {nameOfSetUp(at)}, part {step.part} of {route.quantity}.
          </p>
          <p className="text-[26px] leading-snug">
            Datum edges against the stops. Clamped, not held by hand. Chuck key out.
          </p>
        </div>
        <div className="dye min-h-56 p-3">
          <Face step={step} job={job} route={route} />
        </div>
      </div>
    );
  const op = plan?.operations.find((o) => o.key === item.opKey);
  const cut = op?.cut;
  const rpm = cut?.speed.ok ? cut.speed.value.rpm : op?.tap ? plan?.thread?.tapping.best.rpm : undefined;
  const label = cut?.speed.ok ? cut.speed.value.label : undefined;
  const danger = op?.cautions.filter((c) => c.level !== 'note') ?? [];
  const tapping = op?.tap && plan?.thread ? plan.thread.tapping.best : undefined;
  const use = op?.tap && tapping ? tapping.each[op.tap.place - 1] : undefined;
  const strip =
    op?.tap && tapping && use && plan?.thread && Number.isFinite(use.turns.value)
      ? turnStrip(tapping, use, plan.thread.thread, plan.material, plan.machine)
      : undefined;
  const where = whereOf(op);
  const fluid = (cut || op?.tap) && plan && !plan.dry && !plan.material.runsDry ? plan.material.lubricant : undefined;
  const marks = item.code === 'lay-out' || item.code === 'check' || item.code === 'deburr' || item.code === 'start';
  return (
    <div className="grid min-h-0 flex-1 gap-x-6 gap-y-3 md:grid-cols-[minmax(0,1fr)_minmax(300px,42%)]">
      <div className="flex min-w-0 flex-col gap-3">
        {danger.length > 0 && (
          <ul
            aria-label="Watch out"
            className="rounded-md border-4 px-4 py-2 text-[24px] leading-tight font-bold"
            style={{ borderColor: 'var(--bench-danger)', color: 'var(--bench-danger)' }}
          >
            {danger.map((c) => (
              <li key={c.code}>! {tell(c, display)}</li>
            ))}
          </ul>
        )}
        {step.again && (
          <p className="text-[26px] font-bold" style={{ color: 'var(--bench-set)' }}>
            Once more: {step.again}
          </p>
        )}
        <h1 className="font-cond text-[60px] leading-[0.95] font-semibold sm:text-[88px]">
          {tell(headline(item, op), display)}
        </h1>
        <p className="text-[26px] leading-tight" style={{ color: 'var(--bench-quiet)' }}>
          {newTool && <strong style={{ color: 'var(--bench-text)' }}>Change: </strong>}
          {item.tool}
          {where ? `, ${where}` : ''}
          {item.inCrib ? '' : ' (to buy)'}
        </p>
        {(!cut || !strip) && <p className="text-[26px] leading-snug">{tell(op?.order ?? item.order, display)}</p>}
        <dl className="flex flex-wrap items-end gap-x-10 gap-y-3">
          {rpm !== undefined && (
            <div>
              <Label>{newSpeed ? 'rev/min, change it' : 'rev/min'}</Label>
              <Figure>{rpm.toFixed(0)}</Figure>
              {label && <dd className="font-cond text-[30px] leading-tight font-semibold">{label}</dd>}
            </div>
          )}
          {cut && !cut.spec.through && (
            <div>
              <Label>stop, from touch</Label>
              <Figure>{showText({ ...quantity(cut.travel.value, 'mm'), places: 1 }, display)}</Figure>
            </div>
          )}
          {cut?.breaksThroughMm !== undefined && (
            <div>
              <Label>comes through at</Label>
              <Figure>{showText({ ...quantity(cut.breaksThroughMm, 'mm'), places: 1 }, display)}</Figure>
            </div>
          )}
          <Belts plan={plan} rpm={rpm} />
        </dl>
        {fluid && <p className="text-[28px] leading-tight">{fluid}</p>}
        {item.code === 'lay-out' && <DyeTimer />}
        {strip && <TurnCounter key={step.key} strip={strip} name={item.tool} signals={signals} />}
      </div>
      <div className="dye flex min-h-56 min-w-0 gap-2 p-3 max-md:max-h-96">
        {marks || !plan ? (
          <Face step={step} job={job} route={route} />
        ) : (
          <>
            <div className="min-w-0 flex-1">
              <CoreSample section={sectionOf(plan)} display={display} />
            </div>
            {cut && plan.machine && !plan.machine.pulleys && (
              <div className="w-[150px] shrink-0 max-lg:hidden">
                <StepLadder machine={plan.machine} ideal={cut.ideal.value} speed={cut.speed} bare />
              </div>
            )}
          </>
        )}
      </div>
      <p className="sr-only" role="status">
        {holeName(item)}: {tell(op?.order ?? item.order, display)}
      </p>
    </div>
  );
}
