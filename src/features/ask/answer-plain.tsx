'use client';

import { mm } from '@/core/answer/answer';
import type { Cut } from '@/core/operation/operation';
import { drillUsed } from '@/core/tapping/tools-for-metal';
import { showText } from '@/core/units/show';
import { Figure } from '@/ui/unit-text';
import { Working } from '@/ui/working';
import { Block, DrillKeys, type ToolProps } from './answer-block';

/** The tool of a hole without a thread. */
export default function PlainTool({ cut, plan, display, actions }: ToolProps & { cut: Cut }) {
  const { drill, tool, diameterMm } = cut.spec;
  return (
    <Block
      label={tool.owned ? 'Drill' : 'Drill to buy'}
      figure={<span data-testid="drill">{tool.name}</span>}
      beside={
        !(drill?.series === 'metric' && display === 'mm') && <Figure quantity={mm(diameterMm)} display={display} />
      }
    >
      {cut.torque && (
        <Working of={cut.torque} name="drilling torque" display={display}>
          torque {showText(cut.torque, display)}
        </Working>
      )}
      {drill && <span className="block">{drillUsed(drill, plan.material)}</span>}
      {drill && <DrillKeys drill={drill} owned={tool.owned} actions={actions} />}
    </Block>
  );
}
