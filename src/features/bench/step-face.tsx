'use client';

import { dequal } from 'dequal/lite';
import { memo, useCallback, useMemo } from 'react';
import type { Job } from '@/contracts/job';
import type { HolePlan } from '@/core/hole/hole-plan';
import { sectionOf } from '@/core/hole/section';
import { kindsThat } from '@/core/operation/kinds';
import { GAUGES, gaugeReading, type Gauge } from '@/core/layout/height-list';
import type { BenchStep, ScribedLine } from '@/core/run/bench-step';
import { faceSketch } from '@/core/job/face-sketch';
import { nameOfSetUp } from '@/core/route/batch';
import type { Operation } from '@/core/operation/operation';
import type { Route } from '@/core/route/route';
import type { WorkItem } from '@/core/route/work-item';
import { toolOf } from '@/core/route/work-of-job';
import { turnStrip } from '@/core/tapping/turn-strip';
import { tell, type Display } from '@/core/units/show';
import { BeltRows } from '@/ui/drawings/belt-rows';
import { CoreSample } from '@/ui/drawings/core-sample';
import { FaceDrawing } from '@/ui/drawings/face-drawing';
import { StepLadder } from '@/ui/drawings/step-ladder';
import { ForYou } from '../run/for-you';
import { useGauge } from './use-gauge';
import { TorqueLine } from './torque-line';
import { TurnCounter } from './turn-counter';
import { DyeTimer } from './dye-timer';
import { Slots, type StepAndAhead } from './step-slots';
import { sayWork, type WorkSaid } from './work-said';

interface Props extends StepAndAhead {
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

/** The section of a hole: the same from hole to hole, and drawn once. */
const Section = memo(function Section({ plan, display }: { plan: HolePlan; display: Display }) {
  return <CoreSample section={sectionOf(plan)} display={display} />;
});

/** The face with this hole lit, and how the part is clamped. */
function Face({ step, job, route }: Pick<Props, 'step' | 'job' | 'route'>) {
  const { line } = step;
  const face = line?.face ?? route.setUps[step.setUp].face;
  const sketch = useMemo(
    () =>
      faceSketch(
        job.part,
        job.holes.filter((h) => !face || h.face === face),
      ),
    [job, face],
  );
  if (!sketch) return null;
  const { item } = step;
  const own = sketch.holes.map((h, i) => ({ ...h, i })).filter((h) => h.letter === item?.letter);
  return (
    <FaceDrawing
      sketch={sketch}
      letters
      className="h-full w-full"
      lit={own[(item?.hole ?? 0) - 1]?.i}
      line={line && { axis: line.axis, at: line.onFaceMm }}
    />
  );
}

const GRID =
  'grid flex-1 gap-x-6 gap-y-3 sm:min-h-0 sm:max-lg:overflow-y-auto lg:grid-cols-[minmax(0,1fr)_minmax(300px,42%)] lg:grid-rows-[minmax(0,1fr)]';
const DRAWING = 'dye flex gap-2 p-3 max-sm:h-[300px] max-sm:flex-none min-w-0 sm:min-h-[260px] lg:min-h-40';

/** What is said before a clamping: which face up, and how. */
function Clamp({ step, route, display }: Pick<Props, 'step' | 'route' | 'display'>) {
  const { face, machine, holding } = route.setUps[step.setUp];
  const before = route.setUps[step.setUp - 1];
  const turnsOver = before?.machine?.id === machine?.id && before?.face !== face;
  return (
    <div className="flex flex-col gap-4">
      <h1 className="font-cond text-[64px] leading-none font-semibold sm:text-[92px]">Clamp</h1>
      <p className="text-[30px] leading-tight">
        {nameOfSetUp(route.setUps[step.setUp])}, part {step.part} of {route.quantity}.
      </p>
      <p className="text-[26px] leading-snug">
        {turnsOver && face && `Turn the part over, ${face} to the tool. `}
        {holding ? tell(holding, display) : 'Datum edges against the stops. Clamped, not held by hand.'} Chuck key out.
      </p>
    </div>
  );
}

/** One line of the layout: what to set on the height gauge, and what it serves. */
function Scribe({ line: { mm, from, isFirst, serves }, display }: { line: ScribedLine; display: Display }) {
  const [gauge, setGauge] = useGauge(display);
  return (
    <div className="flex min-w-0 flex-col gap-3">
      <h1 className="font-cond text-[60px] leading-[0.95] font-semibold sm:text-[88px]">Scribe</h1>
      <p className="text-[26px] leading-snug">
        {isFirst ? <strong>{from}: zero the gauge on the plate. </strong> : `${from}. `}One light scratch.
      </p>
      <dl>
        <Label>{`set, for ${serves}`}</Label>
        <Figure>{gaugeReading(mm, gauge)}</Figure>
      </dl>
      <label className="flex items-center gap-3 text-[20px]">
        Height gauge
        <select className="field h-14 text-[20px]" value={gauge} onChange={(e) => setGauge(e.target.value as Gauge)}>
          {GAUGES.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
    </div>
  );
}

const ON_THE_FACE: readonly WorkItem['code'][] = [...kindsThat((kind) => kind.onFace), 'cut-between'];

const opOf = ({ item }: BenchStep, plan: HolePlan | undefined): Operation | undefined =>
  plan?.operations.find((o) => o.key === item?.opKey);

type DrawingProps = Pick<Props, 'step' | 'plan' | 'route' | 'job' | 'display'>;

/** The drawing that matters: the face with this hole lit, or its section, with the speeds where no belts are drawn. */
const Drawing = memo(function Drawing({ step, plan, route, job, display }: DrawingProps) {
  const { item } = step;
  const op = opOf(step, plan);
  if (!item || !plan || ON_THE_FACE.includes(item.code)) return <Face step={step} job={job} route={route} />;
  return (
    <>
      <div className="min-h-0 min-w-0 flex-1">
        <Section plan={plan} display={display} />
      </div>
      {op?.cut && plan.machine && !plan.machine.pulleys && (
        <div className="w-[150px] shrink-0 max-lg:hidden">
          <StepLadder machine={plan.machine} ideal={op.cut.ideal.value} speed={op.cut.speed} bare />
        </div>
      )}
    </>
  );
});

/** Steps with the same key show the same picture, with another hole lit; a tap has its turns below. */
const pictureOf = ({ item, line, setUp }: BenchStep): string =>
  line
    ? `line ${line.face}`
    : !item || ON_THE_FACE.includes(item.code)
      ? `face ${setUp}`
      : `${item.featureId} ${item.code === 'tap' ? 'tap' : ''}`;

/** Steps with the same key are the same work on another hole. */
const workOf = ({ item, line, setUp }: BenchStep): string =>
  line ? `line ${line.tick}` : item ? `${item.featureId} ${item.opKey}` : `clamp ${setUp}`;

/** The tap of a hole at work, in the way in which it is driven best. */
const tapOf = ({ thread }: HolePlan, { tap }: Operation) => tap && thread?.tapping.best.each[tap.place - 1];

/** One operation: what, with which tool, and the figures to set. Drawn anew only where it says something else. */
const Work = memo(function Work({ said }: { said: WorkSaid }) {
  const { danger, again, headline, isChange, tool, order, feel, figures, belts, fluid } = said;
  return (
    <div className="flex min-w-0 flex-col gap-3">
      {danger.length > 0 && (
        <ul
          aria-label="Watch out"
          className="rounded-md border-4 px-4 py-2 text-[24px] leading-tight font-bold"
          style={{ borderColor: 'var(--bench-danger)', color: 'var(--bench-danger)' }}
        >
          {danger.map((text) => (
            <li key={text}>! {text}</li>
          ))}
        </ul>
      )}
      {again && (
        <p className="text-[26px] font-bold" style={{ color: 'var(--bench-set)' }}>
          Once more: {again}
        </p>
      )}
      <h1
        className={`font-cond text-[60px] leading-[0.95] font-semibold ${danger.length > 0 ? 'sm:text-[72px]' : 'sm:text-[88px]'}`}
      >
        {headline}
      </h1>
      <p className="text-[26px] leading-tight" style={{ color: 'var(--bench-quiet)' }}>
        {isChange && <strong style={{ color: 'var(--bench-text)' }}>Change: </strong>}
        {tool}
      </p>
      {order && <p className="text-[26px] leading-snug">{order}</p>}
      {feel && <p className="text-[26px] leading-snug">{feel}</p>}
      <dl className="flex flex-wrap items-start gap-x-8 gap-y-3">
        {figures.map(({ label, figure, below, notOnPhone }) => (
          <div key={label} className={notOnPhone && 'max-sm:hidden'}>
            <Label>{label}</Label>
            <Figure>{figure}</Figure>
            {below && <dd className="font-cond text-[30px] leading-tight font-semibold">{below}</dd>}
          </div>
        ))}
      </dl>
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
        {belts && (
          <div className="dye p-1">
            <BeltRows {...belts} width={280} height={124} />
          </div>
        )}
        {fluid && <p className="min-w-56 flex-1 text-[28px] leading-tight">{fluid}</p>}
      </div>
    </div>
  );
}, dequal);

/** One step, to be read from a metre and a half: what is done with which figures, and the drawing that matters. */
export function StepFace({ step, firstAhead, planOf, route, job, plan, display, signals }: Props) {
  const op = opOf(step, plan);
  const load = plan && op && tapOf(plan, op)?.load;
  const slots = { step, firstAhead, planOf };
  const work = useCallback(
    (of: BenchStep, made?: HolePlan) =>
      of.line ? (
        <Scribe line={of.line} display={display} />
      ) : of.item ? (
        <Work said={sayWork({ step: of, item: of.item, job, plan: made, display })} />
      ) : (
        <Clamp step={of} route={route} display={display} />
      ),
    [job, route, display],
  );
  const picture = useCallback(
    (of: BenchStep, made: HolePlan | undefined, isShown: boolean) => (
      <>
        <div className={`${DRAWING} flex-1`}>
          <Drawing step={of} plan={made} route={route} job={job} display={display} />
        </div>
        <Turns step={of} plan={made} signals={signals} isShown={isShown} />
      </>
    ),
    [job, route, display, signals],
  );
  return (
    <div className={GRID}>
      <div className="flex min-w-0 flex-col gap-3">
        <div className="grid grid-cols-[minmax(0,1fr)] overflow-clip">
          <Slots {...slots} keyOf={workOf} className="min-w-0 [grid-area:1/1]" behindClassName="h-0">
            {work}
          </Slots>
        </div>
        {op && plan && <ForYou plan={plan} op={op} display={display} className="text-[24px] leading-snug" />}
        {load && <TorqueLine step={step.key} load={load} display={display} />}
        {step.item?.code === 'lay-out' && <DyeTimer />}
      </div>
      <div className="grid min-h-0 min-w-0 grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)]">
        <Slots {...slots} keyOf={pictureOf} mayFollow className="flex min-h-0 min-w-0 flex-col gap-3 [grid-area:1/1]">
          {picture}
        </Slots>
      </div>
    </div>
  );
}

interface TurnsProps extends Pick<Props, 'step' | 'plan' | 'signals'> {
  isShown: boolean;
}

/** The turns of a tap in its hole where they are known; on a phone and a tablet before the drawing. */
function Turns({ step, plan, signals, isShown }: TurnsProps) {
  const op = opOf(step, plan);
  const use = plan && op && tapOf(plan, op);
  const strip = useMemo(
    () =>
      use && plan.thread && Number.isFinite(use.turns.value)
        ? turnStrip(plan.thread.tapping.best, use, plan.thread.thread, plan.material, plan.machine)
        : undefined,
    [plan, use],
  );
  return strip && op ? (
    <div className="max-lg:order-first">
      <TurnCounter step={step.key} strip={strip} name={toolOf(op).tool} signals={signals} isShown={isShown} />
    </div>
  ) : null;
}
