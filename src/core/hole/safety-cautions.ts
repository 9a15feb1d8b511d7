import { caution, type Caution } from '../answer/answer';
import type { Machine } from '../cutting/machine';
import { grabs, isWorkHardening, type Material } from '../materials/material';

const standing = (code: string, text: string): Caution => ({ ...caution('note', code, text), standing: true });

/** Those that hold for the machine and the person, whatever is made. */
function standingCautions(material: Material, machine: Machine | undefined, through: boolean): (Caution | false)[] {
  return [
    standing('eyes', 'Eye protection, always. No gloves, rings or loose sleeves at a turning spindle; long hair tied.'),
    standing(
      'clamp',
      'Clamp the work and keep hands clear. Chuck key out before the switch; never stop a chuck by hand.',
    ),
    machine !== undefined &&
      machine.kind !== 'hand-drill' &&
      machine.speeds.kind === 'steps' &&
      standing('belts', 'Change belts and gears with the power off and locked out.'),
    machine?.speeds.kind === 'range' &&
      machine.kind !== 'hand-drill' &&
      standing('drive', 'Change a variable-speed drive only as its manual says; some only while it runs.'),
    machine?.kind === 'hand-drill' &&
      standing('hand-drill', 'Brace for the twist: a drill that grabs turns the tool, not the work.'),
    through &&
      standing('breakthrough', 'Ease the feed as the point comes through: back the work or use the table hole.'),
    material.chips === 'powder' &&
      standing('dust', 'Dust, not chips: brush or vacuum, no air gun without a guard and eye protection.'),
    standing('chips', 'Brush chips away, never with fingers or rags near the spindle.'),
    standing(
      'responsible',
      'Lifting, pressure, electrical and safety-critical threads: the drawing, the code in force and a qualified person decide.',
    ),
  ];
}

/** What the metal does. */
function metalCautions(material: Material): (Caution | false)[] {
  return [
    grabs(material) &&
      caution(
        'note',
        'grabs',
        'This metal pulls the drill in at breakthrough: dub the lip flat or hold the feed back.',
      ),
    isWorkHardening(material) &&
      caution(
        'note',
        'work-hardens',
        'Work-hardens when the tool rubs: keep it cutting, never dwell, use sharp tools.',
      ),
    material.hazard !== '' && caution('warn', 'material-hazard', '{hazard}.', { hazard: sentence(material.hazard) }),
    material.notes !== '' &&
      caution('note', 'material', '{label}: {notes}.', { label: material.label, notes: material.notes }),
  ];
}

/** The cautions of the trade that apply to this machine and metal; those that hold whatever is made are `standing`. */
export const safetyCautions = (material: Material, machine: Machine | undefined, through: boolean): Caution[] =>
  [...metalCautions(material), ...standingCautions(material, machine, through)].filter(
    (c): c is Caution => c !== false,
  );

const sentence = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
