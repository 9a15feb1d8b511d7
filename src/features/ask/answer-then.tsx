'use client';

import { mm } from '@/core/answer/answer';
import { drillName } from '@/core/drills/drill';
import type { HolePlan } from '@/core/hole/hole-plan';
import { KINDS } from '@/core/operation/kinds';
import { showText, tell, type Display } from '@/core/units/show';
import { Working } from '@/ui/working';
import { Block } from './answer-block';

/** What follows the main bore: reamer, counterbore, countersink, a narrower part below. */
export default function Then({ plan, display }: { plan: HolePlan; display: Display }) {
  return plan.operations.map((op) => {
    const label = KINDS[op.code].follows;
    if (!label || !op.cut) return null;
    const { drill, diameterMm, tool } = op.cut.spec;
    return (
      <Block
        key={op.key}
        label={label}
        className="mb-3"
        figure={<span className="text-2xl">{drill ? drillName(drill) : showText(mm(diameterMm), display)}</span>}
        beside={drill ? undefined : tool.name}
      >
        {tell(op.order, display)} Feed{' '}
        <Working of={op.cut.feed} name={`feed, ${label.toLowerCase()}`} display={display} />.
      </Block>
    );
  });
}
