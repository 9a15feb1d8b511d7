import { caution, type Caution } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import { grabs, isWorkHardening, type Material } from '../materials/material';

/** The standing cautions of the trade that apply to this machine and metal. */
export function safetyCautions(material: Material, machine: Machine | undefined, through: boolean): Caution[] {
  const all: (Caution | false)[] = [
    caution(
      'note',
      'eyes',
      'Eye protection, always. No gloves, rings or loose sleeves at a turning spindle; long hair tied.',
    ),
    caution(
      'note',
      'clamp',
      'Clamp the work and keep hands clear. Chuck key out before the switch; never stop a chuck by hand.',
    ),
    machine?.speeds.kind === 'steps' &&
      caution('note', 'belts', 'Change belts and gears with the power off and locked out.'),
    machine?.speeds.kind === 'range' &&
      machine.kind !== 'hand-drill' &&
      caution('note', 'drive', 'Change a variable-speed drive only as its manual says; some only while running.'),
    machine?.kind === 'hand-drill' &&
      caution('note', 'hand-drill', 'Brace for the twist: a drill that grabs turns the tool, not the work.'),
    through &&
      caution('note', 'breakthrough', 'Ease the feed as the point comes through: back the work or use the table hole.'),
    grabs(material) &&
      caution(
        'warn',
        'grabs',
        'This metal pulls the drill in at breakthrough: dub the lip flat or hold the feed back.',
      ),
    isWorkHardening(material) &&
      caution(
        'warn',
        'work-hardens',
        'Work-hardens when the tool rubs: keep it cutting, never dwell, use sharp tools.',
      ),
    material.chips === 'powder' &&
      caution('note', 'dust', 'Dust, not chips: brush or vacuum, no air gun without a guard and eye protection.'),
    material.hazard !== '' && caution('warn', 'material-hazard', '{hazard}.', { hazard: sentence(material.hazard) }),
    caution('note', 'chips', 'Brush chips away, never with fingers or rags near the spindle.'),
    caution(
      'note',
      'responsible',
      'Lifting, pressure, electrical and safety-critical threads: the drawing, the code in force and a qualified person decide.',
    ),
  ];
  return all.filter((c): c is Caution => c !== false && c !== undefined);
}

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
