import { refusals } from '@/core/hole/hole-plan';
import { EXAMPLE_HOLE, type AskForm } from '@/core/hole/form';
import { planForm } from '@/core/hole/read-form';
import { spokenQuestion } from '@/core/hole/spoken-question';
import type { Shop } from '@/core/shop/shop';
import { readCallout } from '@/core/threads/read-callout';
import type { Answered, Asked, Heard } from './answered';

export { inUnits } from '@/core/hole/form-in-units';

/** A line that is no callout as it stands, as it was said: hole, metal and machine; undefined where it is one, or says nothing. */
function hear(callout: string, shop: Shop): Heard | undefined {
  const said = callout.trim() === '' || readCallout(callout).ok ? undefined : spokenQuestion(callout, shop);
  if (!said) return undefined;
  const { material, machine } = said;
  return {
    said,
    part: {
      callout: said.callout,
      ...(material ? { material: material.id } : {}),
      ...(machine ? { machine: machine.id } : {}),
    },
  };
}

function answerTo(form: AskForm, shop: Shop): Asked {
  const sample = form.callout.trim() === '';
  const result = planForm(sample ? { ...form, ...EXAMPLE_HOLE } : form, shop);
  if (!result.ok) return { problems: sample ? [] : result.problems };
  return { plan: result.value, problems: refusals(result.value), sample };
}

/** The question as it was heard, and its answer: first on the server, then in the browser as one types. */
export function answerQuestion(form: AskForm, shop: Shop): Answered {
  const heard = hear(form.callout, shop);
  return { of: form.callout, heard, asked: answerTo({ ...form, ...heard?.part }, shop) };
}
