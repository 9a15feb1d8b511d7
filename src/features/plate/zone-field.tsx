import { jointZone, MOST_ZONE_MM, zoneOf } from '@/core/layout/joint-zone';
import type { LaidHole } from '@/core/layout/lay-out';
import type { Display } from '@/core/units/show';
import { LengthField } from '@/ui/length-field';
import { Working } from '@/ui/working';
import type { PlateState } from './use-plate';

interface Props {
  state: PlateState;
  hole: Pick<LaidHole, 'featureId' | 'footprint'>;
  /** Letter of its feature. */
  name: string;
  display: Display;
}

/** The position zone of a feature: the one entered for it, else the one that the joint leaves. */
export function ZoneField({ state, hole, name, display }: Props) {
  const { zoneMm } = state.featureOf(hole.featureId) ?? {};
  const zone = zoneOf({ ...hole.footprint, zoneMm });
  const set = (mm: number | undefined): void =>
    state.changeHole(hole.featureId, ({ zoneMm: _, ...rest }) => (mm === undefined ? rest : { ...rest, zoneMm: mm }));
  return (
    <LengthField
      label={`Position zone of ${name}, ø`}
      mm={zone.value}
      most={MOST_ZONE_MM}
      display={display}
      onChange={(mm) => (mm === zone.value ? undefined : set(mm))}
      onClear={() => set(undefined)}
      hint={
        <>
          {zoneMm !== undefined
            ? 'Set by you; empty it for what the usual joint leaves.'
            : jointZone(hole.footprint)
              ? 'What the joint leaves; enter the drawing’s own if it has one.'
              : 'Assumed: enter the drawing’s own.'}{' '}
          <Working of={zone} name="position zone" display={display} />
        </>
      }
    />
  );
}
