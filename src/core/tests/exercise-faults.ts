import { REASONS } from '../answer/reasons';
import { judgeAnswer, MISTAKES, type Exercise } from '../practice/exercise';
import { show, tell } from '../units/show';

/** What is wrong with the answers that are offered. */
function choiceFaults(exercise: Exercise, said: string[]): string[] {
  const { asked } = exercise;
  if (asked.by !== 'choice') return [];
  const { choices, best } = asked;
  const different = (of: readonly string[]): boolean => new Set(of).size === choices.length;
  const faults: string[] = [];
  if (choices.length < 2) faults.push('nothing to choose from');
  if (!different(choices.map((c) => c.id))) faults.push('two answers with one id');
  if (!different(choices.map((c) => tell(c.says, 'mm')))) faults.push('two answers that read alike');
  if (best.length === 0) faults.push('no best answer');
  if (best.length >= choices.length) faults.push('every answer is best');
  for (const { id, says, why } of choices) {
    if (judgeAnswer(exercise, id).right !== best.includes(id)) faults.push(`${id} is judged otherwise`);
    said.push(tell(says, 'mm'), tell(why, 'mm'));
  }
  return faults;
}

/** What is wrong with the figure that is asked for, and with those that known mistakes give. */
function figureFaults(exercise: Exercise, said: string[]): string[] {
  const { asked } = exercise;
  if (asked.by !== 'figure') return [];
  const faults: string[] = [];
  if (!Number.isFinite(asked.value)) faults.push('no figure to answer');
  if (!judgeAnswer(exercise, asked.value).right) faults.push('its own figure is wrong');
  for (const { label, value } of exercise.facts) {
    if (!('value' in value)) continue;
    const shown = Number(show(value, 'mm').number);
    if (Math.abs(shown - value.value) > asked.within / 4) faults.push(`${label} is ${value.value}, and reads ${shown}`);
  }
  said.push(tell(asked.why, 'mm'));
  for (const { value } of asked.slips) {
    const judged = judgeAnswer(exercise, value);
    if (Math.abs(value - asked.value) > 2 * asked.within && judged.right) faults.push(`the slip ${value} is right`);
    said.push(tell(judged.says, 'mm'));
  }
  return faults;
}

/**
 * What is wrong with an exercise: nothing, where it can be asked, has best answers among others, and says why to each.
 * @param again the same one, made once more
 */
export function exerciseFaults(exercise: Exercise, again: Exercise): string[] {
  const { ask, facts, hints, mistake, reason } = exercise;
  const said = [ask, ...hints, ...facts.flatMap(({ value }) => ('text' in value ? [value] : []))].map((p) =>
    tell(p, 'mm'),
  );
  const faults = [...choiceFaults(exercise, said), ...figureFaults(exercise, said)];
  for (const text of said) if (!/^[^{}]{2,}$/.test(text)) faults.push(`reads “${text}”`);
  if (!Object.hasOwn(MISTAKES, mistake)) faults.push(`no such mistake: ${mistake}`);
  if (!Object.hasOwn(REASONS, reason)) faults.push(`no such reason: ${reason}`);
  if (JSON.stringify(again) !== JSON.stringify(exercise)) faults.push('made anew it is another');
  return faults;
}
