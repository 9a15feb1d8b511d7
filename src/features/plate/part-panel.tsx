'use client';

import { faceShape, SIDES, USUAL_DATUM, type Datum, type Part, type Stock } from '@/core/layout/part';
import type { Display } from '@/core/units/show';
import { Choice } from '@/ui/choice';
import { SelectField, TextField } from '@/ui/field';
import { LengthField } from '@/ui/length-field';
import type { PlateState } from './use-plate';

const SIZES: Record<Stock['shape'], [key: string, label: string, usual: number][]> = {
  plate: [
    ['widthMm', 'Width', 120],
    ['heightMm', 'Height', 80],
    ['thicknessMm', 'Thickness', 16],
  ],
  disc: [
    ['diameterMm', 'Diameter', 100],
    ['thicknessMm', 'Thickness', 12],
  ],
  bar: [
    ['diameterMm', 'Diameter', 30],
    ['lengthMm', 'Length', 200],
  ],
  tube: [
    ['diameterMm', 'Outside', 70],
    ['boreMm', 'Bore', 40],
    ['lengthMm', 'Length', 60],
  ],
};

function stockOf(shape: Stock['shape'], sizes: Record<string, number>): Stock {
  return { shape, ...Object.fromEntries(SIZES[shape].map(([key, , usual]) => [key, sizes[key] ?? usual])) } as Stock;
}

/** Stock, condition, and the two datum edges of the face in view. */
export function PartPanel({ state, display }: { state: PlateState; display: Display }) {
  const { plan, face, edit } = state;
  const { part } = plan;
  const sizes = part.stock as unknown as Record<string, number>;
  const setPart = (change: Partial<Part>): void => edit((p) => ({ ...p, part: { ...p.part, ...change } }));
  const datum = part.datums[face] ?? USUAL_DATUM;
  const setDatum = (change: Partial<Datum>): void =>
    setPart({ datums: { ...part.datums, [face]: { ...datum, ...change } } });
  return (
    <div className="flex flex-col gap-2">
      <SelectField
        label="Stock"
        value={part.stock.shape}
        onChange={(shape) => setPart({ stock: stockOf(shape as Stock['shape'], sizes) })}
      >
        <option value="plate">plate or block</option>
        <option value="disc">disc</option>
        <option value="bar">round bar</option>
        <option value="tube">tube</option>
      </SelectField>
      <div className="grid grid-cols-3 gap-2">
        {SIZES[part.stock.shape].map(([key, label]) => (
          <LengthField
            key={key}
            label={label}
            mm={sizes[key]}
            display={display}
            onChange={(mm) => setPart({ stock: { ...part.stock, [key]: mm } as Stock })}
          />
        ))}
      </div>
      <TextField
        label="Condition"
        value={part.condition}
        onChange={(condition) => setPart({ condition })}
        placeholder="annealed, as cast, ..."
      />
      {part.stock.shape === 'plate' && part.stock.outline && (
        <p className="flex flex-wrap items-center gap-2 text-[15px]">
          Outline of {part.stock.outline.length} corners.
          <button
            type="button"
            className="btn h-9"
            onClick={() => setPart({ stock: { ...part.stock, outline: undefined } as Stock })}
          >
            Square it off
          </button>
        </p>
      )}
      {faceShape(part.stock, face).kind === 'rectangle' && (
        <fieldset className="flex flex-col gap-1">
          <legend className="label">Walls that stand up at a side, height over this face</legend>
          <div className="grid grid-cols-2 gap-2">
            {SIDES.map((side) => (
              <LengthField
                key={side + face}
                label={side}
                mm={part.walls?.[face]?.[side] ?? 0}
                least={0}
                display={display}
                onChange={(mm) => setPart({ walls: { ...part.walls, [face]: { ...part.walls?.[face], [side]: mm } } })}
              />
            ))}
          </div>
        </fieldset>
      )}
      {faceShape(part.stock, face).kind === 'rectangle' ? (
        <div className="flex gap-3">
          <Choice
            label="Datum in x"
            value={datum.x}
            onChange={(x) => setDatum({ x })}
            options={[
              ['left', 'left'],
              ['right', 'right'],
            ]}
          />
          <Choice
            label="Datum in y"
            value={datum.y}
            onChange={(y) => setDatum({ y })}
            options={[
              ['bottom', 'bottom'],
              ['top', 'top'],
            ]}
          />
        </div>
      ) : (
        <p className="text-[15px]">A round face is measured from its centre lines.</p>
      )}
    </div>
  );
}
