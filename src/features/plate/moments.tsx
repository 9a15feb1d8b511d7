import { Tabs } from 'radix-ui';
import type { Result } from '@/core/answer/answer';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { Point } from '@/core/layout/part';
import type { Display } from '@/core/units/show';
import type { ScribedLine } from '@/ui/drawings/face-figures';
import { TabBar } from '@/ui/tab-bar';
import { useTab } from '@/ui/use-tab';
import { AngledPanel } from './angled-panel';
import { DialsPanel } from './dials-panel';
import { MatePanel } from './mate';
import { MeansPanel } from './means-panel';
import { PartPanel } from './part-panel';
import { PunchPanel } from './punch-panel';
import { RoomPanel } from './room-panel';
import { SheetPanel } from './sheet-panel';
import { TransferPanel } from './transfer-panel';
import { planOfFeature, type PlateState } from './use-plate';

const TABS = [
  ['part', 'Part'],
  ['layout', 'Lay out'],
  ['scribe', 'Scribe'],
  ['punch', 'Punch'],
  ['files', 'Files'],
] as const;
/** What is open first where there is something to scribe. */
const FROM_SCRIBE = [TABS[2], ...TABS.filter(([id]) => id !== 'scribe')] as const;
const LAYOUT_TABS = [
  ['room', 'What fits'],
  ['means', 'How to lay out'],
  ['angled', 'Angled'],
  ['mate', 'Mate'],
] as const;
const SCRIBE_TABS = [
  ['heights', 'Heights'],
  ['dials', 'Dials'],
] as const;

interface Props {
  state: PlateState;
  letters: ReadonlyMap<string, string>;
  display: Display;
  machineId: string;
  /** Nothing is drawn on it yet. */
  isNew: boolean;
  lit: ScribedLine | undefined;
  onLit: (line: ScribedLine | undefined) => void;
  /** Rings a place on the face. */
  onFocus: (at: Point | undefined) => void;
  move: (ids: ReadonlySet<string>, step: Point) => void;
}

/** What one does with a part before it is drilled, in its order: size, what fits, lines, marks, files. */
export function Moments({ state, letters, display, machineId, isNew, lit, onLit, onFocus, move }: Props) {
  const { laid, inHand } = state;
  // A new job is asked for the size of its part first.
  const tab = useTab(isNew ? TABS : FROM_SCRIBE);
  const layoutTab = useTab(LAYOUT_TABS, 'layout');
  const scribeTab = useTab(SCRIBE_TABS, 'scribe');
  const wrong = laid.faults.count + state.inside.count + laid.problems.length;
  const planOf = (featureId: string): Result<HolePlan> | undefined => planOfFeature(state, featureId);
  return (
    <Tabs.Root {...tab} className="plate order-3 min-w-0 p-2.5">
      <TabBar
        label="Moments"
        tabs={TABS.map(([id, name]) => [
          id,
          <>
            {name}
            {id === 'layout' && wrong > 0 && <span className="text-danger"> {wrong}</span>}
          </>,
        ])}
      />
      <Tabs.Content value="part">
        <PartPanel state={state} display={display} />
      </Tabs.Content>
      <Tabs.Content value="layout">
        <Tabs.Root {...layoutTab}>
          <TabBar
            small
            label="Lay out"
            tabs={LAYOUT_TABS.map(([id, name]) => [
              id,
              <>
                {name}
                {id === 'room' && wrong > 0 && <span className="text-danger"> {wrong}</span>}
              </>,
            ])}
          />
          <Tabs.Content value="room">
            <RoomPanel
              laid={laid}
              letters={letters}
              display={display}
              inside={state.inside}
              onShow={(featureId) => {
                const hole = laid.holes.find((h) => h.featureId === featureId);
                state.setSelection(new Set([featureId]));
                onFocus(hole?.onFace);
              }}
              onJump={(holes) => {
                state.setSelection(new Set(holes.map((i) => laid.holes[i].featureId)));
                onFocus(laid.holes[holes[0]].onFace);
              }}
              onCure={(featureId, step) => {
                move(new Set([featureId]), step);
                onFocus(undefined);
              }}
            />
          </Tabs.Content>
          <Tabs.Content value="means">
            <MeansPanel state={state} letters={letters} display={display} />
          </Tabs.Content>
          <Tabs.Content value="angled">
            <AngledPanel state={state} letters={letters} display={display} />
          </Tabs.Content>
          <Tabs.Content value="mate">
            <MatePanel state={state} display={display} machineId={machineId} />
          </Tabs.Content>
        </Tabs.Root>
      </Tabs.Content>
      <Tabs.Content value="scribe">
        <Tabs.Root {...scribeTab}>
          <TabBar small label="Scribe" tabs={SCRIBE_TABS} />
          <Tabs.Content value="heights">
            <SheetPanel laid={laid} letters={letters} display={display} jobId={inHand.job.id} lit={lit} onLit={onLit} />
          </Tabs.Content>
          <Tabs.Content value="dials">
            <DialsPanel
              laid={laid}
              letters={letters}
              display={display}
              machines={state.shop.machines.filter((m) => m.dial)}
            />
          </Tabs.Content>
        </Tabs.Root>
      </Tabs.Content>
      <Tabs.Content value="punch">
        <PunchPanel state={state} letters={letters} display={display} planOf={planOf} />
      </Tabs.Content>
      <Tabs.Content value="files">
        <TransferPanel
          state={state}
          display={display}
          name={inHand.job.name}
          jobId={inHand.job.id}
          machineId={machineId}
          letters={letters}
        />
      </Tabs.Content>
    </Tabs.Root>
  );
}
