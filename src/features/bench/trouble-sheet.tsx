'use client';

import { useState } from 'react';
import { CHIP_SIGNS, type ChipSign } from '@/core/cutting/chips-adviser';
import type { HolePlan } from '@/core/hole/hole-plan';
import type { BenchKind, BodyOf, RemedyChange, RemedyScope } from '@/core/run/bench-record';
import type { ChoiceChange } from '@/core/run/choice-change';
import type { Choice } from '@/core/gauging/verdict';
import { DIE_SIGNS, dieCausesOf, type DieSign } from '@/core/operation/die-trouble';
import type { Operation } from '@/core/operation/operation';
import { SIGNS, signsAt, type Sign, type TroubleCase } from '@/core/tapping/trouble';
import type { Display } from '@/core/units/show';
import { BrokenTapPanel } from './broken-tap-panel';
import { DrillTrouble } from './drill-trouble';
import { LikelyCause } from './likely-cause';
import { TapTrouble } from './tap-trouble';

interface Props {
  /** Key of the step at work. */
  step: string;
  /** A tap broke in this hole, and nobody has decided yet. */
  isBroken: boolean;
  plan: HolePlan;
  op: Operation;
  part: number;
  display: Display;
  record: <K extends BenchKind>(kind: K, body: BodyOf<K>) => void;
  /** What a choice changes of how this hole is made. */
  changeOf: (choice: Choice) => ChoiceChange | undefined;
  onPosition?: () => void;
  /** Address where a punch mark is measured, for a hole that is laid out. */
  marksAt?: string;
  onClose: () => void;
}

const caseOf = (plan: HolePlan): TroubleCase | undefined =>
  plan.thread && {
    way: plan.thread.tapping.best,
    kind: plan.thread.kind,
    dry: plan.dry && !plan.material.runsDry,
    through: plan.thread.at.through,
  };

type Seen = { chips: ChipSign } | { sign: Sign } | { die: DieSign };
function nameOf(seen: Seen | undefined): string {
  if (!seen) return 'What do you see, hear or feel?';
  return 'chips' in seen ? CHIP_SIGNS[seen.chips] : 'die' in seen ? DIE_SIGNS[seen.die] : SIGNS[seen.sign];
}

/** What is seen, heard or felt: one question, one action. Nothing is recorded until one says what it was. */
export function TroubleSheet(props: Props) {
  const { step, isBroken, plan, op, part, display, record, changeOf, onPosition, marksAt, onClose } = props;
  const [seen, setSeen] = useState<Seen>();
  const { cut } = op;
  const die = op.key.startsWith('die-') ? plan.outside : undefined;
  const at = op.tap ? caseOf(plan) : undefined;
  function remedy(label: string, change: RemedyChange, scope: RemedyScope): void {
    record('remedy', { part, scope, label, change });
    onClose();
  }
  return (
    <section aria-label="Trouble" className="flex flex-1 flex-col gap-3 overflow-auto p-2">
      <h1 className="font-cond text-[48px] leading-none font-semibold first-letter:uppercase max-sm:text-[34px]">
        {nameOf(seen)}
      </h1>
      {!seen && (
        <Signs
          cut={cut}
          signs={at ? signsAt(at) : []}
          hasDie={die !== undefined}
          marksAt={marksAt}
          onSeen={setSeen}
          onDull={(tool) => {
            record('drill-dull', { part, tool });
            onClose();
          }}
          onPosition={onPosition}
        />
      )}
      {seen && 'chips' in seen && cut && (
        <DrillTrouble
          sign={seen.chips}
          plan={plan}
          opKey={op.key}
          cut={cut}
          display={display}
          onSaid={() => record('chip-seen', { part, chips: seen.chips })}
          onRemedy={remedy}
          onClose={onClose}
        />
      )}
      {seen && 'die' in seen && die && (
        <LikelyCause
          causes={dieCausesOf(seen.die, die, plan.material.lubricant)}
          display={display}
          none="None of these. Take the die off, clean it and the thread, and look at both against the light."
          onSaid={(cause) => {
            record('die-felt', { part, sign: seen.die, cause });
            onClose();
          }}
        />
      )}
      {seen && 'sign' in seen && at && seen.sign === 'broken' && (
        <BrokenTapPanel
          step={step}
          isSaid={isBroken}
          at={at}
          tap={op.tap}
          display={display}
          larger={changeOf('larger')?.says}
          onBroken={(told) => record('tap-broken', { part, ...told })}
          onDecide={(choice) => {
            record('decision', { part, choice, change: changeOf(choice)?.change });
            onClose();
          }}
          onClose={onClose}
        />
      )}
      {seen && 'sign' in seen && at && seen.sign !== 'broken' && (
        <TapTrouble
          sign={seen.sign}
          at={at}
          plan={plan}
          display={display}
          onSaid={(cause) => record('tap-felt', { part, sign: seen.sign as Exclude<Sign, 'broken'>, cause })}
          onRemedy={remedy}
          onClose={onClose}
        />
      )}
      <div className="mt-auto flex flex-wrap gap-2">
        {seen && (
          <button type="button" className="bench-key" onClick={() => setSeen(undefined)}>
            Another sign
          </button>
        )}
        <button type="button" className="bench-key flex-1" onClick={onClose}>
          Back to the step
        </button>
      </div>
    </section>
  );
}

interface SignsProps {
  cut: Operation['cut'];
  signs: readonly Sign[];
  hasDie: boolean;
  marksAt?: string;
  onSeen: (seen: Seen) => void;
  onDull: (tool: string) => void;
  onPosition?: () => void;
}

/** Everything that can be seen, heard or felt at a step. */
function Signs({ cut, signs, hasDie, marksAt, onSeen, onDull, onPosition }: SignsProps) {
  return (
    <div className="grid grid-cols-2 gap-2 lg:grid-cols-3">
      {cut &&
        (Object.keys(CHIP_SIGNS) as ChipSign[]).map((chips) => (
          <button
            key={chips}
            type="button"
            className="bench-key first-letter:uppercase"
            onClick={() => onSeen({ chips })}
          >
            {CHIP_SIGNS[chips]}
          </button>
        ))}
      {cut && (
        <button type="button" className="bench-key" onClick={() => onDull(cut.spec.tool.name)}>
          The drill is dull: changed
        </button>
      )}
      {signs.map((sign) => (
        <button key={sign} type="button" className="bench-key" onClick={() => onSeen({ sign })}>
          {SIGNS[sign]}
        </button>
      ))}
      {hasDie &&
        (Object.keys(DIE_SIGNS) as DieSign[]).map((sign) => (
          <button key={sign} type="button" className="bench-key" onClick={() => onSeen({ die: sign })}>
            {DIE_SIGNS[sign]}
          </button>
        ))}
      {marksAt && (
        <a className="bench-key" href={marksAt}>
          The punch mark is off: measure it
        </a>
      )}
      {onPosition && (
        <button type="button" className="bench-key" onClick={onPosition}>
          Off its place
        </button>
      )}
    </div>
  );
}
