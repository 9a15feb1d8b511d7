'use client';

import type { ReactNode } from 'react';
import { depth as toTenths, mm, quantity, type Answer } from '@/core/answer/answer';
import { mainCut, type HolePlan, type ThreadPart } from '@/core/hole/hole-plan';
import { drillName } from '@/core/drills/drill';
import type { Cut, OperationCode } from '@/core/operation/operation';
import { percentOfThreadAnswer } from '@/core/threads/percent-of-thread';
import { showText, tell, type Display } from '@/core/units/show';
import { Figure } from '@/ui/unit-text';
import { Working } from '@/ui/working';

const BECAUSE = {
  chosen: '',
  asked: 'as you asked',
  'to-buy': 'not to hand: get one',
} as const;
const LEVEL = { calm: 'calm', careful: 'take care', warn: 'close to breaking', stop: 'the tap goes first' } as const;
const VERDICT = { inside: '✓ inside', borderline: 'toss-up against', outside: '✕ outside' } as const;
const VERDICT_CLASS = { inside: 'text-pass', borderline: 'font-bold', outside: 'font-bold text-danger' } as const;

/** How many of such holes come out inside, where it is a matter of luck. */
const shareOf = ({ insideShare: share }: { insideShare?: number }): string =>
  share === undefined || share > 0.995 || share < 0.005 ? '' : `, ${Math.round(100 * share)} % of such holes inside`;

function Order({
  verb,
  figure,
  children,
  why,
}: {
  verb: string;
  figure: ReactNode;
  children: ReactNode;
  why?: ReactNode;
}) {
  return (
    <li className="grid grid-cols-[52px_1fr] gap-x-2.5 border-b border-steel-300 px-3 py-1 last:border-0">
      <span className="pt-1 font-cond text-lg font-semibold text-steel-700">{verb}</span>
      <div className="min-w-0">
        <div className="flex flex-wrap items-baseline gap-x-3 text-2xl leading-8 font-bold">
          {figure}
          <span className="text-base font-normal">{why}</span>
        </div>
        <div className="text-[15px] leading-snug text-steel-700">{children}</div>
      </div>
    </li>
  );
}

/** A small figure in a sentence with its own working. */
function Minor({ of, name, display, text }: { of: Answer; name: string; display: Display; text?: string }) {
  return (
    <span>
      {text ?? showText(of, display)}
      {'\u00a0'}
      <Working of={of} name={name} display={display} />
    </span>
  );
}

function TapDrillOrder({ part, display }: { part: ThreadPart; display: Display }) {
  const { tapDrill, thread, limits, kind } = part;
  const { used, because, hole, target, missing } = tapDrill;
  const size = used.drill.series === 'metric' && display === 'mm' ? undefined : mm(used.drill.diameterMm);
  return (
    <Order
      verb="Drill"
      figure={<span data-testid="drill">{drillName(used.drill)}</span>}
      why={
        <>
          {size && <Figure quantity={size} display={display} />}{' '}
          {BECAUSE[because] && <strong className="text-danger">{BECAUSE[because]}</strong>}
        </>
      }
    >
      {used.percentOnDrill !== undefined && (
        <>
          <Minor
            of={kind === 'cut' ? percentOfThreadAnswer(thread, used.drill.diameterMm, 'drill') : target}
            name="percent of thread"
            display={display}
            text={`${used.percentOnDrill.toFixed(1)} % of thread`}
          />{' '}
          <Minor of={target} name="percent aimed at" display={display} text={`(aim ${target.value.toFixed(0)})`} />{' '}
        </>
      )}
      <Minor
        of={hole}
        name="hole that the drill leaves"
        display={display}
        text={`hole comes out ${showText(hole, display)}`}
      />
      {limits && (
        <span className={VERDICT_CLASS[used.verdict]}>
          {` ${VERDICT[used.verdict]} ${limits.className}${shareOf(used)}`}
        </span>
      )}
      {because === 'chosen' && missing && (
        <strong className="block text-ink">{`${drillName(missing.drill)} would be nearer but is not to hand; this is the next best.`}</strong>
      )}
    </Order>
  );
}

/** The tool of a hole without a thread. */
function ToolOrder({ cut, display }: { cut: Cut; display: Display }) {
  const { drill, tool, diameterMm } = cut.spec;
  const size = drill?.series === 'metric' && display === 'mm' ? undefined : mm(diameterMm);
  return (
    <Order
      verb="Drill"
      figure={<span data-testid="drill">{tool.name}</span>}
      why={
        <>
          {size && <Figure quantity={size} display={display} />}{' '}
          {!tool.owned && <strong className="text-danger">{BECAUSE['to-buy']}</strong>}
        </>
      }
    >
      {cut.torque && (
        <Minor
          of={cut.torque}
          name="drilling torque"
          display={display}
          text={`Torque ${showText(cut.torque, display)}`}
        />
      )}
    </Order>
  );
}

function SpeedOrder({ cut, display }: { cut: Cut; display: Display }) {
  const { speed, ideal, feed, methods } = cut;
  const thumb = methods.find((m) => m.id === 'thumb')?.rpm;
  return (
    <Order
      verb="Speed"
      figure={
        speed.ok ? (
          <>
            <span data-testid="speed">
              <Figure quantity={quantity(speed.value.rpm, 'rpm')} display={display} />
            </span>
            <span className="rounded-sm bg-ink px-2 font-cond text-lg font-semibold text-white">
              {speed.value.label}
            </span>
          </>
        ) : (
          <span className="text-lg text-danger" data-testid="speed">
            not on this machine
          </span>
        )
      }
      why={<Working of={ideal} name="drill speed" display={display} />}
    >
      {speed.ok
        ? `${speed.value.percentOfIdeal.toFixed(0)} % of the ideal ${ideal.value.toFixed(0)}. ${speed.value.rule === 'power' ? `${tell(speed.value.reason, display)} ` : ''}`
        : speed.problems.map((p) => `${tell(p, display)} ${tell(p.remedy, display)} `).join('')}
      {thumb && (
        <Minor of={thumb} name="rule of thumb" display={display} text={`Rule of thumb ${thumb.value.toFixed(0)}`} />
      )}{' '}
      <Minor of={feed} name="feed" display={display} text={`Feed ${showText(feed, display)}`} />
    </Order>
  );
}

function DepthOrder({ plan, cut, display }: { plan: HolePlan; cut: Cut; display: Display }) {
  const blind = plan.thread?.tapping.best.depth;
  const { spec, travel, tipMm } = cut;
  return (
    <Order
      verb="Depth"
      figure={
        <span data-testid="depth">
          {spec.through ? (
            <>
              through <Figure quantity={toTenths(spec.fullMm)} display={display} />
            </>
          ) : (
            <>
              <Figure quantity={toTenths(spec.fullMm)} display={display} /> full, stop{' '}
              <Figure quantity={toTenths(travel.value)} display={display} />
            </>
          )}
        </span>
      }
      why={<Working of={travel} name="depth" display={display} />}
    >
      {spec.through ? (
        `Tip clears ${showText(toTenths(tipMm), display)} beyond the back.`
      ) : blind && plan.thread ? (
        <Minor
          of={blind.fullDiameter}
          name="full-diameter depth"
          display={display}
          text={`Full thread ${showText(toTenths(plan.thread.at.lengthMm), display)}; stop counted from touch.`}
        />
      ) : (
        'Stop counted from touch.'
      )}
      {plan.wall && (
        <>
          {' '}
          <Minor
            of={plan.wall}
            name="wall left"
            display={display}
            text={`Wall left ${showText(toTenths(plan.wall.value), display)}`}
          />
        </>
      )}
    </Order>
  );
}

function TapOrder({ part, display }: { part: ThreadPart; display: Display }) {
  const { best, speed } = part.tapping;
  const { load } = best;
  return (
    <Order
      verb={part.kind === 'form' ? 'Form' : 'Tap'}
      figure={<span data-testid="way">{best.label}</span>}
      why={load && <Working of={load.torque} name="tapping torque" display={display} />}
    >
      <strong className="block text-ink">
        {best.taps.map((t, i) => `${t.name} (${t.chamferThreads}${i === 0 ? ' chamfer threads' : ''})`).join(', then ')}
      </strong>
      <Minor
        of={best.turns}
        name="turns"
        display={display}
        text={`${part.limits ? '' : 'About '}${showText(best.turns, display)}${
          part.limits
            ? best.biteTurns > 0
              ? `, back every ${showText(quantity(best.biteTurns, 'ratio'), display)}`
              : ', no reversing'
            : ': stop at the gauge'
        }`}
      />{' '}
      {best.rpm !== undefined && (
        <>
          <Minor
            of={speed}
            name="tapping speed"
            display={display}
            text={`At ${best.rpm} rev/min, the slowest; the metal allows ${speed.value.toFixed(0)}`}
          />{' '}
        </>
      )}
      {load && (
        <Minor
          of={load.breaking}
          name="breaking torque"
          display={display}
          text={`Needs ${showText(load.torque, display)}, holds at least about ${showText(load.breaking, display)}: ${LEVEL[load.level]}`}
        />
      )}
    </Order>
  );
}

function HoldsOrder({ part, display }: { part: ThreadPart; display: Display }) {
  const { engagement, at } = part;
  if (!engagement) return null;
  const { needed, bolt } = engagement;
  const of = (length: number): string => showText(toTenths(length), display);
  return (
    <Order
      verb="Holds"
      figure={
        <span className={`text-xl ${at.lengthMm < needed.value ? 'text-danger' : ''}`}>
          <Figure quantity={toTenths(needed.value)} display={display} /> of thread is enough
        </span>
      }
      why={<Working of={needed} name="enough thread" display={display} />}
    >
      for a {bolt.label} bolt to break first; 1 D is {of(engagement.oneDiameterMm)}, 1.5 D{' '}
      {of(engagement.oneAndAHalfDiametersMm)}
      {engagement.nutHeightApplies && `, a nut's height ${of(engagement.nutHeightMm)}`}; here {of(at.lengthMm)} (
      {((at.lengthMm / needed.value) * 100).toFixed(0)} %).
    </Order>
  );
}

const THEN: Partial<Record<OperationCode, string>> = {
  ream: 'Ream',
  counterbore: 'Bore',
  countersink: 'Sink',
  deepen: 'Then',
};

/** What follows the main bore: reamer, counterbore, countersink, a narrower part below. */
function ThenOrders({ plan, display }: { plan: HolePlan; display: Display }) {
  return plan.operations.map((op) => {
    const verb = THEN[op.code];
    return (
      verb &&
      op.cut && (
        <Order
          key={op.key}
          verb={verb}
          figure={
            op.cut.spec.drill ? (
              drillName(op.cut.spec.drill)
            ) : (
              <Figure quantity={mm(op.cut.spec.diameterMm)} display={display} />
            )
          }
          why={op.cut.spec.drill ? undefined : op.cut.spec.tool.name}
        >
          {tell(op.order, display)}{' '}
          <Minor of={op.cut.feed} name="feed" display={display} text={`Feed ${showText(op.cut.feed, display)}`} />
        </Order>
      )
    );
  });
}

/** Nothing is drilled: an old thread, or an existing hole that is as it should be. */
function Nothing({ plan, display }: { plan: HolePlan; display: Display }) {
  const [first] = plan.operations.filter((op) => op.code !== 'lay-out');
  return (
    <Order verb="Drill" figure={<span data-testid="drill">nothing</span>}>
      {first && tell(first.order, display)}
    </Order>
  );
}

/** What to do, in the imperative, with the figures to set: of any hole, threaded or plain. */
export function Orders({ plan, display }: { plan: HolePlan; display: Display }) {
  const cut = mainCut(plan);
  const { thread } = plan;
  return (
    <ol className="plate" aria-label="What to do">
      {!cut && !thread ? (
        <Nothing plan={plan} display={display} />
      ) : thread ? (
        <TapDrillOrder part={thread} display={display} />
      ) : (
        cut && <ToolOrder cut={cut} display={display} />
      )}
      {cut && <SpeedOrder cut={cut} display={display} />}
      {cut && <DepthOrder plan={plan} cut={cut} display={display} />}
      <ThenOrders plan={plan} display={display} />
      {thread && <TapOrder part={thread} display={display} />}
      {thread && <HoldsOrder part={thread} display={display} />}
    </ol>
  );
}
