import { depth, mm, phrase, quantity } from '../answer/answer';
import { ruleOfThumbRpm } from '../cutting/cutting-speed';
import { CHIP_SIGNS, adviseFromChips, type ChipSign } from '../cutting/chips-adviser';
import { chiselEdge, coneDepth } from '../drills/drill-point';
import { drillName } from '../drills/drill';
import { pilotChain } from '../drills/pilot-chain';
import { mainCut } from '../hole/hole-plan';
import type { Chance } from './chance';
import { text, type Choice, type Made } from './exercise';
import { someHole, type PracticeSource } from './some-hole';

/** Where to set the stop: full depth and the point. */
export function stopExercise(_: PracticeSource, chance: Chance): Made {
  const diameter = chance.whole(30, 130) / 10;
  const angle = chance.pick([118, 135]);
  const full = chance.whole(8, 40);
  const tip = coneDepth(diameter, angle);
  const value = full + tip;
  return {
    ask: phrase('Where is the stop set, from where the point touches?'),
    facts: [
      { label: 'Drill', value: mm(diameter) },
      { label: 'Point', value: quantity(angle, 'deg') },
      { label: 'Full diameter to', value: depth(full) },
    ],
    asked: {
      by: 'figure',
      unit: 'mm',
      value,
      within: 0.15,
      why: phrase(
        'The point is {tip} long: half the drill, by the tangent of half its angle. {full} and {tip} are {stop}.',
        {
          tip: mm(tip),
          full: depth(full),
          stop: depth(value),
        },
      ),
      slips: [
        {
          value: full,
          says: phrase('That leaves out the point: the hole is {tip} short at full diameter.', { tip: mm(tip) }),
        },
        { value: full - tip, says: phrase('The point comes on top of the full depth, not off it.') },
      ],
    },
    hints: [
      phrase('The point touches first; the full diameter follows behind it.'),
      phrase('At 118° the point is 0.3 of the drill, at 135° 0.2 of it.'),
    ],
    mistake: 'stop',
    reason: 'tip',
  };
}

/** The belt that is nearest to what the quick rule says. */
export function beltExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const plan = someHole(source, chance, {
    machines: ['drill-press', 'mill', 'lathe'],
    fits: (p) => p.machine?.speeds.kind === 'steps' && mainCut(p)?.speed.ok === true,
  });
  const cut = plan && mainCut(plan);
  const speeds = plan?.machine?.speeds;
  if (!plan?.machine || !cut?.speed.ok || speeds?.kind !== 'steps') return undefined;
  const { rpm, percentOfIdeal } = cut.speed.value;
  const ideal = (100 * rpm) / percentOfIdeal;
  const steps = [...new Set(speeds.steps.map((s) => s.rpm))].sort((a, b) => a - b);
  const at = steps.indexOf(rpm);
  if (at < 0) return undefined;
  const shown = steps.slice(Math.max(0, at - 2), at + 3);
  if (shown.length < 3) return undefined;
  const diameter = cut.spec.diameterMm;
  const thumb = ruleOfThumbRpm(plan.material, diameter).value;
  return {
    ask: phrase('Which step of the {machine}?', { machine: plan.machine.name }),
    facts: [
      { label: 'Drill', value: mm(diameter) },
      { label: 'Material', value: text(plan.material.label) },
      {
        label: 'Quick rule',
        value: text('9000 ÷ diameter in mm (350 ÷ inches) in mild steel; by the metal more or less'),
      },
    ],
    asked: {
      by: 'choice',
      choices: shown.map((step): Choice => {
        const values = {
          step: quantity(step, 'rpm'),
          ideal: quantity(ideal, 'rpm'),
          share: ((100 * step) / ideal).toFixed(0),
        };
        const why =
          step === rpm
            ? 'The ideal is about {ideal}; this is {share} % of it, and the next one up would be too fast or no nearer.'
            : step > rpm
              ? '{share} % of the ideal of {ideal}: the lips blunt.'
              : '{share} % of the ideal of {ideal}: slower than it needs to be.';
        return { id: String(step), says: phrase('{step}', values), why: phrase(why, values) };
      }),
      best: [String(rpm)],
    },
    hints: [
      phrase('The quick rule gives about {rpm}.', { rpm: quantity(thumb, 'rpm') }),
      phrase('Between two steps: the lower one in hard metal.'),
    ],
    mistake: 'speed',
    reason: 'thumb',
  };
}

/** The pilot for a large drill: as wide as its chisel edge. */
export function pilotExercise({ shop }: PracticeSource, chance: Chance): Made | undefined {
  const material = chance.pick(
    shop.materials.filter((m) => ['steel-low-carbon', 'stainless-austenitic', 'iron-grey'].includes(m.id)),
  );
  const pool = shop.pools[0].drills.filter((d) => d.diameterMm >= 1);
  const large = pool.filter((d) => d.diameterMm > 10.4);
  if (!material || large.length === 0) return undefined;
  const last = chance.pick(large);
  const [pilot] = pilotChain(last, pool, false, material).slice(-1);
  if (!pilot) return undefined;
  const near = (share: number) =>
    [...pool].sort(
      (a, b) => Math.abs(a.diameterMm - share * last.diameterMm) - Math.abs(b.diameterMm - share * last.diameterMm),
    )[0];
  const others = [near(0.6), near(0.8)].filter(
    (d) => d.diameterMm > 0.5 * last.diameterMm && drillName(d) !== drillName(pilot),
  );
  if (new Set(others.map(drillName)).size < 2) return undefined;
  return {
    ask: phrase('Which pilot goes before it?'),
    facts: [
      { label: 'Drill', value: text(drillName(last)) },
      { label: 'Material', value: text(material.label) },
      { label: 'Its chisel edge', value: mm(chiselEdge(last.diameterMm)) },
    ],
    asked: {
      by: 'choice',
      choices: [
        {
          id: 'none',
          says: phrase('None'),
          why: phrase('Over 10 mm the chisel edge pushes more than the feed can: it wanders and needs force.'),
        },
        {
          id: drillName(pilot),
          says: text(drillName(pilot)),
          why: phrase(
            'As wide as the chisel edge, or a little over: it spares the edge and leaves the lips their work.',
          ),
        },
        ...others.map((d): Choice => ({
          id: drillName(d),
          says: text(drillName(d)),
          why: phrase('{share} % of the drill: it grabs and chips its corners.', {
            share: ((100 * d.diameterMm) / last.diameterMm).toFixed(0),
          }),
        })),
      ],
      best: [drillName(pilot)],
    },
    hints: [phrase('A pilot only spares the chisel edge.'), phrase('Half the drill is already too much.')],
    mistake: 'pilot',
    reason: 'pilot',
  };
}

const DO: Record<string, string> = {
  'speed -1': 'One step slower',
  'speed 1': 'One step faster',
  'feed -1': 'Feed more lightly',
  'feed 1': 'Feed harder',
  clear: 'Clear the chips more often',
  keep: 'Go on as it is',
};

/** What chips and sound say, and what to change. */
export function chipExercise(source: PracticeSource, chance: Chance): Made | undefined {
  const sign = chance.pick(Object.keys(CHIP_SIGNS) as ChipSign[]);
  const plan = someHole(source, chance, {
    machines: ['drill-press', 'mill'],
    fits: (p) => p.machine?.speeds.kind === 'steps' && mainCut(p)?.speed.ok === true,
  });
  const cut = plan && mainCut(plan);
  if (!plan?.machine || !cut?.speed.ok) return undefined;
  const { rpm, percentOfIdeal } = cut.speed.value;
  const advice = adviseFromChips(
    sign,
    { rpm, feed: 0.1, idealRpm: (100 * rpm) / percentOfIdeal },
    plan.material,
    plan.machine,
  );
  const { speed, feed } = advice.moved;
  const best = [
    ...(speed === 0 ? [] : [`speed ${speed}`]),
    ...(feed === 0 ? [] : [`feed ${feed}`]),
    ...(speed === 0 && feed === 0 && advice.peckShare < 1 ? ['clear'] : []),
  ];
  if (best.length === 0) best.push('keep');
  return {
    ask: phrase('At {rpm}: {sign}. What do you change?', { rpm: quantity(rpm, 'rpm'), sign: CHIP_SIGNS[sign] }),
    facts: [
      { label: 'Drill', value: mm(cut.spec.diameterMm) },
      { label: 'Material', value: text(plan.material.label) },
      { label: 'Its chips', value: text(plan.material.chips) },
    ],
    asked: {
      by: 'choice',
      choices: Object.entries(DO).map(([id, says]): Choice => ({ id, says: text(says), why: advice.reason })),
      best,
    },
    hints: [phrase('Blue is heat, dust is too little feed, a squeal is rubbing or speed.')],
    mistake: 'speed',
    reason: 'feed',
  };
}
