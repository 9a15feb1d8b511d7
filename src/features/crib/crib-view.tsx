'use client';

import { Tabs } from 'radix-ui';
import type { CaseEntry, MachineEntry, MaterialEntry, ShopChange, TapEntry, ToolEntry } from '@/contracts/crib';
import { TabBar } from '@/ui/tab-bar';
import { useUnits } from '@/ui/units';
import { useTab } from '@/ui/use-tab';
import { AccessPanel, PasscodeAgain } from './access-panel';
import { DrillsPanel } from './drills-panel';
import { ExampleHole } from './example-hole';
import { FilesPanel } from './files-panel';
import { HabitsPanel } from './habits-panel';
import { MachinesPanel } from './machines-panel';
import { MaterialsPanel } from './materials-panel';
import { TapsPanel } from './taps-panel';
import { ToolsPanel } from './tools-panel';
import { useCrib } from './use-crib';

interface Props {
  shopName: string;
  machines: MachineEntry[];
  cases: CaseEntry[];
  tools: ToolEntry[];
  taps: TapEntry[];
  materials: MaterialEntry[];
  habits: ShopChange;
}

const TABS = [
  ['machines', 'Machines'],
  ['drills', 'Drills'],
  ['taps', 'Taps'],
  ['tools', 'Other tools'],
  ['materials', 'Materials'],
  ['habits', 'How this shop works'],
  ['files', 'Import, export'],
] as const;

/** What is looked for belongs to the tab that it was typed for. */
const OF_ONE_TAB = ['find'];

/** What the shop has and how it works: look it over, add, change, mark blunt or lost, choose what is in use. */
export function CribView({ shopName, machines, cases, tools, taps, materials, habits }: Props) {
  const state = useCrib();
  const { display } = useUnits();
  return (
    <main id="main" className="mx-auto flex max-w-[1280px] flex-col gap-3 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">
          Crib <span className="text-xl font-medium text-steel-700">{shopName}</span>
        </h1>
        <a className="btn" href="/set-up">
          Set up your shop
        </a>
        <a className="btn" href="/crib/to-buy">
          List to buy
        </a>
      </div>
      {state.fault && (
        <p role="alert" className="font-bold text-danger">
          {state.fault}
        </p>
      )}
      {state.locked && <PasscodeAgain onGiven={() => state.setLocked(false)} />}
      {state.undo && (
        <p role="status" className="flex items-center gap-3">
          {state.undo.what}
          <button type="button" className="btn" onClick={() => void state.undo?.run()}>
            Undo
          </button>
        </p>
      )}
      <Tabs.Root {...useTab(TABS, 'tab', OF_ONE_TAB)}>
        <TabBar label="Parts of the crib" tabs={TABS} />
        <Tabs.Content value="machines">
          <MachinesPanel machines={machines} state={state} display={display} />
        </Tabs.Content>
        <Tabs.Content value="drills">
          <DrillsPanel cases={cases} state={state} display={display} />
        </Tabs.Content>
        <Tabs.Content value="taps">
          <TapsPanel taps={taps} names={habits.habits.tapNames} state={state} display={display} />
        </Tabs.Content>
        <Tabs.Content value="tools">
          <ToolsPanel tools={tools} state={state} display={display} />
        </Tabs.Content>
        <Tabs.Content value="materials">
          <MaterialsPanel materials={materials} state={state} display={display} />
        </Tabs.Content>
        <Tabs.Content value="habits">
          <HabitsPanel
            habits={habits}
            state={state}
            example={
              <ExampleHole
                habits={habits.habits}
                machines={machines}
                cases={cases}
                tools={tools}
                taps={taps}
                materials={materials}
                display={display}
              />
            }
          />
          <AccessPanel state={state} />
        </Tabs.Content>
        <Tabs.Content value="files">
          <FilesPanel cases={cases} tools={tools} taps={taps} state={state} display={display} />
        </Tabs.Content>
      </Tabs.Root>
    </main>
  );
}
