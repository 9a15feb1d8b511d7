'use client';

import Link from 'next/link';
import { useState, type ReactNode } from 'react';
import { depth as toTenths, mm, quantity, type Answer } from '@/core/answer/answer';
import { drillName } from '@/core/drills/drill';
import { allCautions, mainCut, type HolePlan, type ThreadPart } from '@/core/hole/hole-plan';
import { sectionOf } from '@/core/hole/section';
import { isSlowFor } from '@/core/cutting/speed-step';
import type { Cut } from '@/core/operation/operation';
import type { TapDrillCandidate } from '@/core/tap-drill/tap-drill-candidate';
import { drillUsed, tapHook, tapSurface } from '@/core/tapping/tools-for-metal';
import { percentOfThreadAnswer } from '@/core/threads/percent-of-thread';
import { KINDS } from '@/core/operation/kinds';
import { lastTurn } from '@/core/tapping/turning';
import { showText, tell, turnsText, type Display } from '@/core/units/show';
import { CoreSample } from '@/ui/drawings/core-sample';
import type { Turns } from '@/ui/drawings/turn-strip';
import { SizeRail } from '@/ui/drawings/size-rail';
import { StepLadder } from '@/ui/drawings/step-ladder';
import { Figure } from '@/ui/unit-text';
import { later } from '@/ui/later';
import { byWhat, LEVEL, LEVEL_ON_DYE } from '@/ui/taps/levels';
import { Working, WorkingDialog } from '@/ui/working';
import { Block, DrillKeys, type PanelActions, type ToolProps } from './answer-block';

const PlainTool = later(() => import('./answer-plain'));
const Outside = later(() => import('./answer-outside'));
const Then = later(() => import('./answer-then'));

const VERDICT = { inside: '✓ inside', borderline: 'toss-up against', outside: '✕ outside' } as const;
const VERDICT_CLASS = { inside: LEVEL_ON_DYE.calm, borderline: LEVEL_ON_DYE.careful, outside: LEVEL_ON_DYE.warn };

/** How many of such holes come out inside, where it is a matter of luck. */
function shareOf({ insideShare: share, verdict }: Pick<TapDrillCandidate, 'insideShare' | 'verdict'>): string {
  if (share === undefined || share > 0.995 || share < 0.005) return '';
  const holes = `in ${Math.round(100 * share)} % of holes`;
  return verdict === 'inside' ? ` ${holes}` : `, inside ${holes}`;
}

function TapDrill({ part, plan, display, actions }: ToolProps & { part: ThreadPart }) {
  const { tapDrill, thread, limits, kind } = part;
  const { used, because, hole, target, missing } = tapDrill;
  const changed = allCautions(plan).find((c) => c.code === 'drill-learned');
  const inOwnUnit = used.drill.series === 'metric' && display === 'mm';
  return (
    <Block
      label={
        because === 'asked'
          ? 'Drill, set by you'
          : because === 'drawn'
            ? 'Drill, as drawn'
            : because === 'to-buy'
              ? 'Drill to buy'
              : 'Drill'
      }
      figure={<span data-testid="drill">{drillName(used.drill)}</span>}
      beside={!inOwnUnit && <Figure quantity={mm(used.drill.diameterMm)} display={display} />}
    >
      {used.percentOnDrill !== undefined && (
        <>
          <Working
            of={kind === 'cut' ? percentOfThreadAnswer(thread, used.drill.diameterMm, 'drill') : target}
            name="percent of thread"
            display={display}
          >
            {used.percentOnDrill.toFixed(0)} % of thread
          </Working>
          ,{' '}
          <Working of={target} name="target percent" display={display}>
            target {target.value.toFixed(0)} %
          </Working>
          <br />
        </>
      )}
      <Working of={hole} name="predicted hole" display={display}>
        predicted hole {showText(hole, display)}
      </Working>
      {hole.n > 0 && (
        <Link className="dye-link block" href="/log/learned" prefetch={false}>
          {`from ${hole.n} of your own holes`}
        </Link>
      )}
      {changed && <span className="block text-white">{tell(changed, display)}</span>}
      {limits && (
        <span className={`block ${VERDICT_CLASS[used.verdict]}`}>
          {`${VERDICT[used.verdict]} ${limits.className}${shareOf(used)}`}
        </span>
      )}
      {because === 'chosen' && missing && (
        <span className="block font-bold text-white">{`${drillName(missing.drill)} is nearer but not in the crib`}</span>
      )}
      <span className="block">{drillUsed(used.drill, plan.material)}</span>
      <DrillKeys drill={used.drill} owned={used.owned} actions={actions} />
    </Block>
  );
}

function Speed({ cut, display }: { cut: Cut; display: Display }) {
  const { speed, ideal, feed, methods } = cut;
  const thumb = methods.find((m) => m.id === 'thumb')?.rpm;
  return (
    <Block
      label="Speed"
      figure={
        speed.ok ? (
          <span data-testid="speed">
            <Working of={ideal} name="drill speed" display={display}>
              <Figure quantity={quantity(speed.value.rpm, 'rpm')} display={display} />
            </Working>
          </span>
        ) : (
          <span className="text-xl text-[#ffb3b3]" data-testid="speed">
            not on this machine
          </span>
        )
      }
      beside={speed.ok && speed.value.label}
    >
      {!speed.ok && speed.problems.map((p) => `${tell(p, display)} ${tell(p.remedy, display)} `).join('')}
      {speed.ok && isSlowFor(speed.value) && `${tell(speed.value.reason, display)} `}
      <Working of={feed} name="feed" display={display}>
        feed {showText(feed, display)}
      </Working>
      {thumb && (
        <>
          , rule of thumb <Working of={thumb} name="rule of thumb" display={display} />
        </>
      )}
    </Block>
  );
}

function Tap({ part, plan, display }: { part: ThreadPart; plan: HolePlan; display: Display }) {
  const { best, speed } = part.tapping;
  const { load } = best;
  const cut = part.kind === 'cut';
  return (
    <Block
      label={cut ? 'Tap' : 'Form'}
      figure={
        <span className="text-[26px] leading-8 text-white" data-testid="way">
          {best.label}
        </span>
      }
    >
      <strong className="block text-[17px] text-white">
        {best.taps
          .map(
            (t, i) =>
              `${t.name} ${t.chamferThreads}${i === 0 ? ' chamfer threads' : ''}${t.owned ? '' : ', to buy'}${(t.wear ?? 1) >= 1.5 ? ', worn' : ''}`,
          )
          .join(', then ')}
      </strong>
      <Working of={best.turns} name="turns" display={display}>
        {`${part.limits ? '' : 'about '}${showText(best.turns, display)}`}
      </Working>
      {!part.limits
        ? ': stop at the gauge'
        : best.biteTurns > 0
          ? `, forward ${turnsText(best.biteTurns)}, back to snap the chip`
          : ', no reversing'}
      <span className="block">
        {`${tapSurface(plan.material)} tap${cut ? `, ${tapHook(plan.material)}` : ''}; ${plan.dry ? 'dry' : plan.material.lubricant}`}
      </span>
      {best.rpm !== undefined && (
        <span className="block">
          at {best.rpm} rev/min, the slowest; the metal allows{' '}
          <Working of={speed} name="tapping speed" display={display} />
        </span>
      )}
      {load && (
        <>
          <strong className={`mt-2 block font-cond text-2xl ${LEVEL_ON_DYE[load.level]}`}>
            {LEVEL[load.level]}, <span className="text-lg font-medium">{byWhat(load.safety)}</span>
          </strong>
          takes <Working of={load.torque} name="tapping torque" display={display} />; the tap holds at least about{' '}
          <Working of={load.breaking} name="breaking torque" display={display} />
        </>
      )}
    </Block>
  );
}

function ThreadNeeded({ part, display }: { part: ThreadPart; display: Display }) {
  const { engagement, at } = part;
  if (!engagement) return null;
  const { needed, bolt } = engagement;
  const of = (length: number): string => showText(toTenths(length), display);
  const short = at.lengthMm < needed.value;
  return (
    <Block
      label="Thread needed"
      className="mt-3"
      figure={
        <span className={`text-2xl ${short ? 'text-[#ffb3b3]' : 'text-white'}`}>
          <Working of={needed} name="thread needed" display={display}>
            {of(needed.value)}
          </Working>{' '}
          of {of(at.lengthMm)}
        </span>
      }
    >
      for the {bolt.label} bolt to break first. 1 D is {of(engagement.oneDiameterMm)}, 1.5 D{' '}
      {of(engagement.oneAndAHalfDiametersMm)}
      {engagement.nutHeightApplies && `, a nut ${of(engagement.nutHeightMm)}`}.
    </Block>
  );
}

function turnsOf({ thread }: HolePlan): Turns | undefined {
  if (!thread?.limits) return undefined;
  const { best } = thread.tapping;
  const { pitchMm } = thread.thread;
  return {
    total: lastTurn(best.each[best.each.length - 1], thread.thread),
    bite: best.biteTurns,
    through: thread.at.through,
    pitchMm,
    fromMm: thread.at.fromMm,
    full: thread.at.lengthMm / pitchMm,
  };
}

interface Props {
  plan: HolePlan;
  display: Display;
  actions: PanelActions;
  /** Said over the drawing. */
  banner?: ReactNode;
}

/** The answer: the hole itself, with every figure where it acts. */
export function AnswerPanel({ plan, display, actions, banner }: Props) {
  const [working, setWorking] = useState<Answer>();
  const cut = mainCut(plan);
  const { thread } = plan;
  const thumb = cut?.methods.find((m) => m.id === 'thumb')?.rpm;
  return (
    <section aria-label="What to do" className="dye p-3 sm:p-4">
      {banner}
      <div className="flex flex-col gap-3 md:grid md:grid-cols-[250px_minmax(0,1fr)] md:gap-x-6 xl:grid-cols-[250px_minmax(0,1fr)_280px] 2xl:grid-cols-[300px_minmax(0,1fr)_380px]">
        <div className="contents md:flex md:flex-col md:gap-3">
          <div className="order-2">
            {plan.outside ? (
              <Outside outside={plan.outside} display={display} />
            ) : thread && cut ? (
              <TapDrill part={thread} plan={plan} display={display} actions={actions} />
            ) : cut ? (
              <PlainTool cut={cut} plan={plan} display={display} actions={actions} />
            ) : (
              <Block label="Drill" figure={<span data-testid="drill">nothing</span>}>
                {plan.operations.filter((op) => op.code !== 'lay-out').map((op) => tell(op.order, display))[0]}
              </Block>
            )}
          </div>
          <div className="order-3 flex min-h-0 flex-1 flex-col">
            {cut && <Speed cut={cut} display={display} />}
            {plan.machine && cut ? (
              <div className="mt-1 h-[300px] md:h-auto md:min-h-[240px] md:flex-1 md:basis-0">
                <StepLadder
                  bare
                  machine={plan.machine}
                  ideal={cut.ideal.value}
                  speed={cut.speed}
                  methods={thumb ? [{ label: 'rule of thumb', rpm: thumb.value }] : []}
                />
              </div>
            ) : (
              <p className="mt-2">{cut ? 'Pick a machine to see which of its speeds to set.' : ''}</p>
            )}
          </div>
        </div>
        <div className="contents min-w-0 md:flex md:flex-col">
          {thread && (
            <div className="order-5 min-w-0">
              <SizeRail plan={thread} display={display} onPick={actions.onPick} />
            </div>
          )}
          <div className="order-1 h-[330px] min-w-0 md:h-[436px] 2xl:h-[560px]">
            <CoreSample section={sectionOf(plan)} turns={turnsOf(plan)} display={display} onWorking={setWorking} />
          </div>
        </div>
        <div className="order-4 md:col-span-2 md:flex md:gap-6 xl:col-span-1 xl:block">
          {plan.operations.some((op) => op.cut && KINDS[op.code].follows) && <Then plan={plan} display={display} />}
          {thread && <Tap part={thread} plan={plan} display={display} />}
          {thread && <ThreadNeeded part={thread} display={display} />}
        </div>
      </div>
      {working && <WorkingDialog of={working} display={display} onClose={() => setWorking(undefined)} />}
    </section>
  );
}
