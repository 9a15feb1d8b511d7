import { holesBehind, type ToBuy } from '@/core/job/to-buy';
import { tell, type Display } from '@/core/units/show';

interface Props {
  title: string;
  list: readonly ToBuy[];
  display: Display;
  csv: string;
  /** Said under the title: what it is of. */
  of: string;
}

const holesOf = ({ holes }: ToBuy): string =>
  holes.length > 4 ? `${holes.slice(0, 4).join('; ')} and ${holes.length - 4} more` : holes.join('; ');

function Group({ name, list, display }: { name: string; list: readonly ToBuy[]; display: Display }) {
  return (
    <section className="plate p-3 print:border-0 print:p-0">
      <h2 className="font-cond text-2xl font-semibold">{name}</h2>
      <ul>
        {list.map((x) => (
          <li key={x.key} className="flex items-start gap-3 border-t border-steel-200 py-2 first:border-0">
            <span aria-hidden className="mt-1 size-5 flex-none border-2 border-ink" />
            <span className="min-w-0 flex-1">
              <strong className="font-cond text-xl">{tell(x.name, display)}</strong>
              {x.instead && <span className="block text-[16px]">{tell(x.instead, display)}</span>}
            </span>
            <span className="w-2/5 flex-none text-right text-[15px]">
              {tell(holesBehind(x), display)}
              <span className="block text-steel-700">{holesOf(x)}</span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What has to be bought before work can go on, then what would make it better; to print, with a box before each. */
export function BuyList({ title, list, display, csv, of }: Props) {
  const needed = list.filter((x) => x.needed);
  const better = list.filter((x) => !x.needed);
  return (
    <main id="main" className="mx-auto flex max-w-3xl flex-col gap-3 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-2">
        <h1 className="mr-auto font-cond text-2xl font-semibold">{title}</h1>
        <a className="btn print:hidden" href={csv}>
          CSV
        </a>
      </div>
      <p>{of}</p>
      {list.length === 0 && <p className="plate p-4 text-lg">The crib has everything.</p>}
      {needed.length > 0 && <Group name="Needed" list={needed} display={display} />}
      {better.length > 0 && <Group name="Better with" list={better} display={display} />}
    </main>
  );
}
