import { Tabs } from 'radix-ui';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Display } from '@/core/units/show';
import { SizeRail } from '@/ui/drawings/size-rail';
import { HoleNotes, ownCautions } from '@/ui/hole-notes';
import { later } from '@/ui/later';
import { TabBar } from '@/ui/tab-bar';
import { MachinesTable } from './machines-table';
import type { HolesState } from './use-holes';

const TradeOffChart = later(() => import('./trade-off-chart'));
const LengthChart = later(() => import('./length-chart'));
const TapChoices = later(() => import('@/ui/taps/tap-choices'));
const TroublePanel = later(() => import('@/ui/taps/trouble-panel'));

interface Props {
  plan: HolePlan;
  state: HolesState;
  display: Display;
}

/** What else one may ask of a hole: other taps and drills, other machines, what to look out for. */
export function MoreOfHole({ plan, state, display }: Props) {
  const { group, shop, ask } = state;
  const { job } = state.inHand;
  const first = group?.holes[0];
  if (!first) return null;
  return (
    <Tabs.Root defaultValue={plan.thread ? 'taps' : 'machines'} className="plate p-2.5">
      <TabBar
        label="More of this hole"
        tabs={[
          ...(plan.thread
            ? ([
                ['taps', 'Taps'],
                ['trade', 'Drill size and tap load'],
                ['trouble', 'When it goes wrong'],
              ] as const)
            : []),
          ['machines', 'On another machine'],
          ['cautions', `Cautions (${ownCautions(plan).length})`],
        ]}
      />
      {plan.thread && (
        <Tabs.Content value="trade" className="flex flex-col gap-2">
          <div className="dye">
            <SizeRail plan={plan.thread} display={display} onPick={(drill) => ask({ drill })} />
          </div>
          {first.question.drill !== '' && (
            <button type="button" className="btn self-start" onClick={() => ask({ drill: '' })}>
              Back to the proposed drill
            </button>
          )}
          <div className="grid gap-4 lg:grid-cols-2">
            <TradeOffChart part={plan.thread} display={display} onPick={(drill) => ask({ drill })} />
            <LengthChart
              part={plan.thread}
              display={display}
              onPick={(lengthMm) => {
                const feature = plan.callout.features.find((f) => f.kind === 'thread');
                if (feature) state.draw(plan.callout, feature, lengthMm, true);
              }}
            />
          </div>
        </Tabs.Content>
      )}
      {plan.thread && (
        <Tabs.Content value="taps">
          <TapChoices plan={plan} display={display} change={ask} taps={shop.taps} />
        </Tabs.Content>
      )}
      {plan.thread && (
        <Tabs.Content value="trouble">
          <TroublePanel plan={plan} display={display} change={ask} />
        </Tabs.Content>
      )}
      <Tabs.Content value="machines">
        <MachinesTable
          job={job}
          feature={first}
          shop={shop}
          planner={state.planner}
          display={display}
          onUse={(machine) => ask({ machine })}
        />
      </Tabs.Content>
      <Tabs.Content value="cautions">
        <HoleNotes plan={plan} display={display} />
      </Tabs.Content>
    </Tabs.Root>
  );
}
