import { depth, phrase, quantity, type Phrase } from '../answer/answer';
import { holdingFor } from '../cutting/drilling-torque';
import type { Machine } from '../cutting/machine';
import type { FaceId, Part } from '../layout/part';

/** A bar sticks out of a chuck no further than this many diameters. Trade rule. */
const STICK_OUT_D = 3;

/** How round stock is held: upright, or on its side. */
const round = (face: FaceId, diameterMm: number): Phrase =>
  face === 'side'
    ? phrase('Lying in V-blocks, strapped down, the holes on top.')
    : phrase('Upright in V-jaws of the vise, {diameter} across, strapped if it is taller than wide.', {
        diameter: depth(diameterMm),
      });

/**
 * How the part is held for the holes of one set-up, as this machine and stock need it.
 * @param grabN largest pull at the edge of the part when a drill grabs, N; 0 where none was worked out
 */
export function holdingOf(machine: Machine, { stock }: Part, face: FaceId, grabN: number, tilted: boolean): Phrase {
  const diameterMm = stock.shape === 'plate' ? undefined : stock.diameterMm;
  const end = face === 'front' || face === 'back';
  if (machine.kind === 'lathe' && end && 'lengthMm' in stock)
    return phrase(
      'Sawn {length} long with what is faced off; in the chuck, or a collet on a finished side, no more than {out} out. Face this end before its holes. Chuck key out.',
      { length: depth(stock.lengthMm), out: depth(STICK_OUT_D * stock.diameterMm) },
    );
  if (machine.kind === 'lathe')
    return diameterMm === undefined
      ? phrase('In the four-jaw chuck, the place of the hole run true; nothing beyond the jaws.')
      : phrase('In the chuck, or a collet on a finished side, no more than {out} out. Chuck key out.', {
          out: depth(STICK_OUT_D * diameterMm),
        });
  if (machine.kind === 'hand-drill')
    return phrase('The part clamped to the bench, never held; brace for the twist when the drill grabs.');
  const how = diameterMm === undefined ? undefined : round(face, diameterMm);
  if (how)
    return grabN > 0
      ? phrase(`${how.text} It pulls with {force} when it grabs.`, { ...how.values, force: quantity(grabN, 'N') })
      : how;
  const edges = tilted ? 'In a tilting vise, or on a wedge against a stop.' : 'Datum edges against the stops.';
  if (grabN <= 0) return phrase(`${edges} Clamped, never held by hand.`);
  return phrase(`${edges} Hold it {holding}, or better: it pulls with {force} at the edge when it grabs.`, {
    holding: holdingFor(grabN).label,
    force: quantity(grabN, 'N'),
  });
}
