'use client';

import { quantity } from '@/core/answer/answer';
import type { OutsideThread } from '@/core/operation/outside-thread';
import { showText, type Display } from '@/core/units/show';
import { Figure } from '@/ui/unit-text';
import { Working } from '@/ui/working';
import { Block } from './answer-block';

/** What a thread on a rod is cut with: die, blank, turns, speed. */
export default function Outside({ outside, display }: { outside: OutsideThread; display: Display }) {
  const { die, chaser, blank, chamfer, turns, rpm } = outside;
  return (
    <div className="flex flex-col gap-3">
      <Block label="Blank" figure={<Working of={blank} name="blank" display={display} />}>
        chamfer 45° to <Working of={chamfer} name="chamfer of the end" display={display} />
      </Block>
      <Block
        label={die.owned ? 'Die' : 'Die to buy'}
        figure={<span className="text-[26px] text-white">{die.name}</span>}
      >
        opened for a trial, closed until it fits the tapped hole, which is cut first
        {chaser && <span className="block">then {chaser.name}</span>}
      </Block>
      <Block
        label="Speed"
        figure={
          rpm === undefined ? (
            <span className="text-[26px] text-white">by hand</span>
          ) : (
            <Figure quantity={quantity(rpm, 'rpm')} display={display} />
          )
        }
      >
        <Working of={turns} name="turns of the die" display={display}>
          {showText(turns, display)}
        </Working>
        , a half on, a quarter back
      </Block>
    </div>
  );
}
