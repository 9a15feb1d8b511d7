import { caution, depth, mm, percent, type Caution } from '../answer/answer';
import { isHandHeld } from '../cutting/machine';
import { isHighSpeed, needsCobalt } from '../cutting/suited-drills';
import { drillName } from '../drills/drill';
import { chiselEdge } from '../drills/drill-point';
import { usualFluteMm } from '../drills/flute-length';
import { grabs, mustHaveFluid } from '../materials/material';
import type { Asked, Context } from './context';
import type { Cut, CutSpec } from './operation';

/** Pilot over drill above which the next drill grabs. Trade rule. */
export const PILOT_SHARE = 0.5;
/** A pilot under this share of the chisel edge helps little. Trade rule. */
export const PILOT_OF_EDGE = 0.8;

/** {@link PILOT_SHARE}, less by hand and in metals that pull in. Trade rule. */
export const pilotLimit = ({ machine, material }: Pick<Asked, 'machine' | 'material'>): number =>
  isHandHeld(machine) || grabs(material) ? 0.45 : PILOT_SHARE;

/** The quill has to lift clear of the work by this much, mm. Our judgement. */
const LIFT_MM = 5;

const when = (holds: boolean | undefined, make: () => Caution): Caution[] => (holds ? [make()] : []);

/** A drill is named by its size; what to buy instead of the one proposed is said where that is chosen. */
const missingTool = ({ tool, drill, diameterMm }: CutSpec): Caution[] =>
  when(!tool.owned, () =>
    drill
      ? caution('warn', 'tool-missing', '{tool} is not in the crib: buy one, or pick another.', { tool: tool.name })
      : caution('warn', 'tool-missing', '{tool} {size} is not in the crib: buy one, or pick another way.', {
          tool: tool.name,
          size: mm(diameterMm),
        }),
  );

function pilotCautions(spec: CutSpec, asked: Asked): Caution[] {
  if (spec.family !== 'drill' || spec.inHoleMm <= 0) return [];
  const share = spec.inHoleMm / spec.diameterMm;
  const limit = pilotLimit(asked);
  const edge = chiselEdge(spec.diameterMm);
  return [
    ...when(share > limit && spec.fromMm === 0, () =>
      caution(
        'warn',
        'pilot-large',
        'The hole of {hole} is {share} of this drill: over {limit} it grabs and chips its lips. Feed by hand, hold back, clamp.',
        { hole: mm(spec.inHoleMm), share: percent(100 * share), limit: percent(100 * limit) },
      ),
    ),
    ...when(spec.inHoleMm < PILOT_OF_EDGE * edge, () =>
      caution('note', 'pilot-small', 'The pilot of {hole} is narrower than the chisel edge, {edge}: it helps little.', {
        hole: mm(spec.inHoleMm),
        edge: mm(edge),
      }),
    ),
  ];
}

function machineCautions(spec: CutSpec, cut: Cut, { machine }: Asked): Caution[] {
  if (!machine) return [];
  const lift = cut.travel.value + LIFT_MM;
  return [
    ...when((spec.drill !== undefined || spec.family === 'ream') && spec.diameterMm > machine.chuckMm, () =>
      caution('warn', 'chuck', 'The chuck of the {machine} takes {chuck}: this needs a reduced or taper shank.', {
        machine: machine.name,
        chuck: mm(machine.chuckMm),
      }),
    ),
    ...when(machine.quillStrokeMm !== undefined && lift > machine.quillStrokeMm, () =>
      caution(
        'warn',
        'stroke',
        'The quill of the {machine} goes {stroke} and this needs {travel}: raise the table half way.',
        { machine: machine.name, stroke: depth(machine.quillStrokeMm ?? 0), travel: depth(lift) },
      ),
    ),
  ];
}

function reachCautions(spec: CutSpec): Caution[] {
  const { drill, tool, fullMm } = spec;
  const flute = drill?.fluteMm ?? (drill ? usualFluteMm(spec.diameterMm) : tool.tool?.reachMm);
  if (flute === undefined || fullMm <= flute) return [];
  const known = drill === undefined || drill.fluteMm !== undefined;
  return [
    caution(
      known ? 'stop' : 'warn',
      'reach',
      '{tool} reaches {flute} and the hole is {deep} deep: the flutes would fill and choke. Use a longer one.',
      { tool: drill ? drillName(drill) : tool.name, flute: depth(flute), deep: depth(fullMm) },
    ),
  ];
}

const steelCautions = ({ drill }: CutSpec, { material }: Asked): Caution[] =>
  when(drill && isHighSpeed(drill) && needsCobalt(material), () =>
    caution(
      'note',
      'cobalt',
      'Cobalt keeps its edge in this metal; a plain high-speed drill must be sharp and never rub.',
    ),
  );

/** A start or a countersink that turns slowly loses nothing but seconds. */
function speedCautions({ family }: CutSpec, { speed }: Cut): Caution[] {
  const slowMatters = family === 'drill' || family === 'annular';
  return speed.ok ? speed.value.cautions.filter((c) => slowMatters || c.code !== 'speed-low') : [];
}

const dryCautions = ({ family }: CutSpec, { material, dry }: Asked): Caution[] =>
  when(family === 'drill' && dry && mustHaveFluid(material), () =>
    caution('warn', 'dry', 'Dry in {material}: it seizes and hardens. Use {fluid}.', {
      material: material.label,
      fluid: material.lubricant,
    }),
  );

/** Everything to watch in a cut: speed, tool, pilot, machine, reach, steel of the drill. */
export const cutCautions = (spec: CutSpec, cut: Cut, { asked }: Context): Caution[] => [
  ...cut.ideal.cautions,
  ...speedCautions(spec, cut),
  ...missingTool(spec),
  ...pilotCautions(spec, asked),
  ...machineCautions(spec, cut, asked),
  ...steelCautions(spec, asked),
  ...dryCautions(spec, asked),
  ...reachCautions(spec),
];
