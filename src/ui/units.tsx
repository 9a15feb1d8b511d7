'use client';

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { Display } from '@/core/units/show';
import { useKeys } from './keys';
import { UNITS_COOKIE } from './units-cookie';

const YEAR_S = 31_536_000;

/** A question, a job or a card that has a unit of its own. */
interface Own {
  display: Display;
  change: (display: Display) => void;
}

interface Units {
  display: Display;
  choose: (display: Display) => void;
  claim: (own: Own | undefined) => void;
}

const Context = createContext<Units>({ display: 'mm', choose: () => undefined, claim: () => undefined });

/** The one unit of what is on the screen: that of the question, job or card, else the browser's, else the shop's. */
export function UnitsProvider({ first, children }: { first: Display; children: ReactNode }) {
  const [chosen, setChosen] = useState(first);
  const [own, setOwn] = useState<Own>();
  const display = own?.display ?? chosen;
  const choose = useCallback(
    (next: Display): void => {
      document.cookie = `${UNITS_COOKIE}=${next}; path=/; max-age=${YEAR_S}; samesite=lax`;
      setChosen(next);
      own?.change(next);
    },
    [own],
  );
  useKeys({
    u: () => choose(display === 'mm' ? 'inch' : 'mm'),
    'Alt+KeyU': () => choose(display === 'mm' ? 'inch' : 'mm'),
  });
  const value = useMemo(() => ({ display, choose, claim: setOwn }), [display, choose]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export const useUnits = (): Units => useContext(Context);

/**
 * The unit of a thing that has its own: the switch and its key change that.
 * @param change must stay the same from render to render
 */
export function useOwnUnits(display: Display, change: (display: Display) => void): void {
  const { claim } = useUnits();
  useEffect(() => {
    claim({ display, change });
    return () => claim(undefined);
  }, [display, change, claim]);
}

const SWITCH = {
  bar: { on: 'text-white', off: 'text-steel-200 hover:text-white', size: 'min-w-11 px-1.5 text-lg' },
  bench: { on: 'text-(--bench-text)', off: 'text-(--bench-quiet)', size: 'min-h-16 min-w-16 px-2 text-2xl' },
} as const;

/** The switch, top right on every view. */
export function UnitSwitch({ on = 'bar' }: { on?: keyof typeof SWITCH }) {
  const look = SWITCH[on];
  const { display, choose } = useUnits();
  return (
    <div role="group" aria-label="Units" title="U, or Alt+U in a field" className="flex items-stretch">
      {(['mm', 'inch'] as const).map((unit) => (
        <button
          key={unit}
          type="button"
          aria-pressed={display === unit}
          onClick={() => choose(unit)}
          className={`font-cond font-semibold ${look.size} ${
            display === unit ? `${look.on} underline decoration-brass decoration-2 underline-offset-8` : look.off
          }`}
        >
          {unit}
        </button>
      ))}
    </div>
  );
}
