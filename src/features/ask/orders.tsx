'use client';

import type { ReactNode } from 'react';
import { depth as toTenths, mm, percent, quantity, type Answer } from '@/core/answer/answer';
import type { HolePlan } from '@/core/ask/hole-plan';
import { drillName } from '@/core/drills/drill';
import { percentOfThreadAnswer } from '@/core/threads/percent-of-thread';
import { showText, tell, type Display } from '@/core/units/show';
import { Figure } from '@/ui/unit-text';
import { Working } from '@/ui/working';

const BECAUSE = {
  chosen: '',
  asked: 'as you asked',
  'to-buy': 'not to hand: get one',
} as const;
const LEVEL = { calm: 'calm', careful: 'be careful', warn: 'close to breaking', stop: 'do not' } as const;

function Order({
  verb,
  figure,
  children,
  why,
}: {
  verb: string;
  figure: ReactNode;
  children: ReactNode;
  why: ReactNode;
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

/** What to do, in the imperative, with the figures to set. */
export function Orders({ plan, display }: { plan: HolePlan; display: Display }) {
  const { tapDrill, drilling, tapping, hole, thread, limits } = plan;
  const { used, because } = tapDrill;
  const { best } = tapping;
  const { speed } = drilling;
  const size = used.drill.series === 'metric' && display === 'mm' ? undefined : mm(used.drill.diameterMm);
  return (
    <ol className="plate" aria-label="What to do">
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
              of={plan.kind === 'cut' ? percentOfThreadAnswer(thread, used.drill.diameterMm, 'drill') : tapDrill.target}
              name="percent of thread"
              display={display}
              text={`${used.percentOnDrill.toFixed(1)} % of thread`}
            />{' '}
            <Minor
              of={tapDrill.target}
              name="percent aimed at"
              display={display}
              text={`(aim ${tapDrill.target.value.toFixed(0)})`}
            />{' '}
          </>
        )}
        <Minor
          of={used.hole}
          name="hole that the drill leaves"
          display={display}
          text={`hole comes out ${showText(used.hole, display)}`}
        />
        {limits && (
          <span className={used.verdict === 'inside' ? 'text-pass' : 'font-bold text-danger'}>
            {' '}
            {used.verdict === 'inside'
              ? '✓ inside'
              : used.verdict === 'borderline'
                ? '! on the border of'
                : '✕ outside'}{' '}
            {limits.className}
          </span>
        )}
        {because === 'chosen' && tapDrill.lacking && (
          <strong className="block text-ink">{`${drillName(tapDrill.lacking.drill)} would be nearer but is not to hand; this is the next best.`}</strong>
        )}
      </Order>
      <Order
        verb="Speed"
        figure={
          'rpm' in speed ? (
            <>
              <span data-testid="speed">
                <Figure quantity={quantity(speed.rpm, 'rpm')} display={display} />
              </span>
              <span className="rounded-sm bg-ink px-2 font-cond text-lg font-semibold text-white">{speed.label}</span>
            </>
          ) : (
            <span className="text-lg text-danger" data-testid="speed">
              not on this machine
            </span>
          )
        }
        why={<Working of={drilling.ideal} name="drill speed" display={display} />}
      >
        {'rpm' in speed ? (
          <>
            {speed.percentOfIdeal.toFixed(0)} % of the ideal {drilling.ideal.value.toFixed(0)}.{' '}
          </>
        ) : (
          <>
            {tell(speed, display)} {tell(speed.remedy, display)}{' '}
          </>
        )}
        <Minor
          of={drilling.thumb}
          name="rule of thumb"
          display={display}
          text={`Rule of thumb ${drilling.thumb.value.toFixed(0)}`}
        />{' '}
        <Minor of={drilling.feed} name="feed" display={display} text={`Feed ${showText(drilling.feed, display)}`} />
      </Order>
      <Order
        verb="Depth"
        figure={
          <span data-testid="depth">
            {best.depth ? (
              <>
                <Figure quantity={toTenths(best.depth.fullDiameter.value)} display={display} /> full, stop{' '}
                <Figure quantity={toTenths(best.depth.total.value)} display={display} />
              </>
            ) : (
              <>
                through <Figure quantity={toTenths(hole.thicknessMm ?? hole.threadDepthMm)} display={display} />
              </>
            )}
          </span>
        }
        why={<Working of={best.depth?.total ?? drilling.tip} name="depth" display={display} />}
      >
        {best.depth ? (
          <Minor
            of={best.depth.fullDiameter}
            name="full-diameter depth"
            display={display}
            text={`Full thread ${showText(toTenths(hole.threadDepthMm), display)}; stop counted from touch.`}
          />
        ) : (
          `Tip clears ${showText(toTenths(drilling.tip.value), display)} beyond the back.`
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
      <Order
        verb={plan.kind === 'form' ? 'Form' : 'Tap'}
        figure={<span data-testid="way">{best.label}</span>}
        why={best.torque && <Working of={best.torque} name="tapping torque" display={display} />}
      >
        <strong className="block text-ink">
          {best.taps
            .map((t, i) => `${t.name} (${t.chamferThreads}${i === 0 ? ' chamfer threads' : ''})`)
            .join(', then ')}
        </strong>
        <Minor
          of={best.turns}
          name="turns"
          display={display}
          text={`${showText(best.turns, display)}${best.biteTurns > 0 ? `, back every ${showText(quantity(best.biteTurns, 'ratio'), display)}` : ', no reversing'}`}
        />{' '}
        {best.rpm !== undefined && (
          <>
            <Minor
              of={tapping.speed}
              name="tapping speed"
              display={display}
              text={`At ${best.rpm} rev/min, the slowest; the metal allows ${tapping.speed.value.toFixed(0)}`}
            />{' '}
          </>
        )}
        {best.torque && best.safety !== undefined && best.level && (
          <Minor
            of={best.breaking}
            name="breaking torque"
            display={display}
            text={`Needs ${showText(best.torque, display)}, breaks at ${showText(best.breaking, display)}: ${LEVEL[best.level]}`}
          />
        )}
      </Order>
      {plan.engagement && (
        <Order
          verb="Holds"
          figure={
            <span className={`text-xl ${hole.threadDepthMm < plan.engagement.needed.value ? 'text-danger' : ''}`}>
              <Figure quantity={toTenths(plan.engagement.needed.value)} display={display} /> of thread is enough
            </span>
          }
          why={<Working of={plan.engagement.needed} name="enough thread" display={display} />}
        >
          for a {plan.engagement.bolt.label} bolt to break first; 1 D is{' '}
          {showText(toTenths(plan.engagement.oneDiameterMm), display)}, 1.5 D{' '}
          {showText(toTenths(plan.engagement.oneAndAHalfDiametersMm), display)}
          {plan.engagement.nutHeightApplies &&
            `, a nut's height ${showText(toTenths(plan.engagement.nutHeightMm), display)}`}
          ; here {showText(toTenths(hole.threadDepthMm), display)} (
          {percent((hole.threadDepthMm / plan.engagement.needed.value) * 100).value.toFixed(0)} %).
        </Order>
      )}
    </ol>
  );
}
