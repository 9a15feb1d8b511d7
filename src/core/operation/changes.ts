import { depth, phrase, quantity, type Phrase } from '../answer/answer';
import { DISPLAYS, show } from '../units/show';
import type { Cut, Operation } from './operation';

function speedChange(a: Cut, b: Cut): Phrase[] {
  if (!a.speed.ok || !b.speed.ok || a.speed.value.rpm === b.speed.value.rpm) return [];
  return [
    phrase('{now} instead of {before}: {percent} of the ideal.', {
      now: quantity(b.speed.value.rpm, 'rpm'),
      before: quantity(a.speed.value.rpm, 'rpm'),
      percent: quantity(b.speed.value.percentOfIdeal, 'percent'),
    }),
  ];
}

const toolChange = (a: Cut, b: Cut): Phrase[] =>
  a.spec.diameterMm === b.spec.diameterMm
    ? []
    : [phrase('{now} instead of {before}.', { now: b.spec.tool.name, before: a.spec.tool.name })];

const feedChange = (a: Cut, b: Cut): Phrase[] =>
  Math.abs(a.feed.value - b.feed.value) <= 1e-9
    ? []
    : [
        phrase('Feed {now} instead of {before}.', {
          now: quantity(b.feed.value, 'mm/rev'),
          before: quantity(a.feed.value, 'mm/rev'),
        }),
      ];

const stopChange = (a: Cut, b: Cut): Phrase[] =>
  Math.round(a.stopMm * 10) === Math.round(b.stopMm * 10)
    ? []
    : [phrase('Stop at {now} instead of {before}.', { now: depth(b.stopMm), before: depth(a.stopMm) })];

/** A torque that shows the same in every unit has not changed. */
function torqueChange({ torque: a }: Cut, { torque: b }: Cut): Phrase[] {
  if (!a || !b) return [];
  const [before, now] = [a, b].map(({ value }) => quantity(value, 'Nm'));
  return DISPLAYS.every((display) => show(before, display).number !== show(now, display).number)
    ? [phrase('Torque {now} instead of {before}.', { now, before })]
    : [];
}

const timeChange = (base: Operation, now: Operation): Phrase[] =>
  Math.round(base.time.value) === Math.round(now.time.value)
    ? []
    : [
        phrase('{now} a hole instead of {before}.', {
          now: quantity(now.time.value, 's'),
          before: quantity(base.time.value, 's'),
        }),
      ];

/** Figure by figure what a change makes different of an operation. */
export function changesOf(base: Operation, now: Operation): Phrase[] {
  const [a, b] = [base.cut, now.cut];
  if (!a || !b) return [];
  return [
    ...toolChange(a, b),
    ...speedChange(a, b),
    ...feedChange(a, b),
    ...stopChange(a, b),
    ...torqueChange(a, b),
    ...timeChange(base, now),
  ];
}
