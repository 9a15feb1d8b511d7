import { tell, type Display } from '@/core/units/show';
import { HOLE_KINDS } from '@/core/job/equal-features';
import { allCautions, refusals } from '@/core/hole/hole-plan';
import { KIND_LABEL, type Group, type HolesState } from './use-holes';

function troubleOf({ result }: Group, display: Display): { level: 'stop' | 'warn'; text: string } | undefined {
  if (!result.ok) return { level: 'stop', text: result.problems.map((p) => tell(p, display)).join(' ') };
  const { faults, problems } = result.value;
  const all = allCautions(result.value);
  const stop = refusals(result.value)[0] ?? all.find((c) => c.level === 'stop') ?? problems[0];
  if (stop) return { level: 'stop', text: tell(stop, display) };
  const warn = faults[0]?.why ?? all.find((c) => c.level === 'warn');
  return warn && { level: 'warn', text: tell(warn, display) };
}

const MOST_LETTERS = 3;

/** A, C: the features that are made alike. */
function lettersOf({ holes }: Group): string {
  const letters = holes.map((h) => h.letter);
  return letters.length > MOST_LETTERS ? `${letters[0]} …` : letters.join(', ');
}

/** The part's features by kind, equal ones once; choosing one shows it in full. */
export function GroupList({ state, display }: { state: HolesState; display: Display }) {
  return (
    <nav aria-label="Features" className="plate flex flex-col gap-2 self-start p-2">
      {HOLE_KINDS.map((kind) => {
        const list = state.groups.filter((g) => g.kind === kind);
        if (list.length === 0) return null;
        return (
          <section key={kind}>
            <h2 className="font-cond text-[17px] font-semibold text-steel-700">{KIND_LABEL[kind]}</h2>
            <ul>
              {list.map((g) => {
                const here = g === state.group;
                const trouble = troubleOf(g, display);
                return (
                  <li key={g.key}>
                    <button
                      type="button"
                      aria-current={here ? 'true' : undefined}
                      title={trouble?.text}
                      onClick={() => state.choose(g.holes[0].id)}
                      className={`flex min-h-11 w-full flex-col rounded-sm px-2 py-1 text-left ${here ? 'bg-ink text-white' : 'hover:bg-white'}`}
                    >
                      <span className="flex w-full items-baseline gap-1.5 leading-tight font-bold">
                        <span className="font-cond text-lg">{lettersOf(g)}</span>
                        <span className="min-w-0 flex-1 break-words">{g.callout}</span>
                        {trouble && (
                          <span className={here ? '' : 'text-danger'}>
                            {trouble.level === 'stop' ? '✕' : '!'}
                            <span className="sr-only"> {trouble.text}</span>
                          </span>
                        )}
                        <span className="font-cond font-medium">×{g.count}</span>
                      </span>
                      <span className={`text-sm leading-tight ${here ? 'text-steel-200' : 'text-steel-700'}`}>
                        {g.holes
                          .map((h) => h.name)
                          .filter(Boolean)
                          .join(', ')}
                      </span>
                    </button>
                  </li>
                );
              })}
            </ul>
          </section>
        );
      })}
    </nav>
  );
}
