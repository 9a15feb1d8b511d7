import fc from 'fast-check';
import type { Drill } from '../drills/drill';
import type { Material } from '../materials/material';
import { MATERIALS } from '../materials/materials';
import { inputsOf } from '../tests/inputs-of';
import { tell } from '../units/show';
import { adviseFromChips, type ChipSign } from './chips-adviser';
import { deepHoleFactor, idealRpm, rpmFor, ruleOfThumbRpm, sfmToMPerMin } from './cutting-speed';
import { alreadyDeeper, scaleReading, settingOf, stopSetting, usualStop } from './depth-stop';
import { drillingTorque, grabForce, holdingFor, spindlePower } from './drilling-torque';
import { drillFeed, peckDepths } from './feed';
import type { DepthStopKind, Machine } from './machine';
import { speedsFromPulleys } from './pulleys';
import { chartRpm, idealByMethod, speedMethods } from './speed-methods';
import { suitedTo } from './suited-drills';
import { asChoice, chooseSpeed, nextStep, slowerSpeeds } from './speed-step';
import { withinPower, type PowerQuestion } from './within-power';

const material = (id: string): Material => MATERIALS.find((m) => m.id === id) as Material;
const drill = (mm: number, kind?: Drill['material']): Drill => ({
  series: 'metric',
  label: String(mm),
  diameterMm: mm,
  material: kind,
});
const STEPS = [140, 270, 560, 980, 1700, 3300];
const press: Machine = {
  id: 'press',
  name: 'press',
  kind: 'drill-press',
  speeds: { kind: 'steps', steps: STEPS.map((rpm) => ({ rpm, label: `row ${rpm}` })) },
  reversible: false,
  tappingHead: false,
  coastRevolutions: 1.5,
  coastAtRpm: 140,
  chuckMm: 13,
};
const variable: Machine = { ...press, speeds: { kind: 'range', minRpm: 450, maxRpm: 2800 } };
const hand: Machine = { ...press, kind: 'hand-drill' };
const mill: Machine = { ...press, kind: 'mill' };

test('90 ft/min on 6.8 mm is 1284, 50 ft/min on 4.2 mm is 1155', () => {
  expect(rpmFor(sfmToMPerMin(90), 6.8)).toBeCloseTo(1284, 0);
  expect(rpmFor(sfmToMPerMin(50), 4.2)).toBeCloseTo(1155, 0);
});

describe('the ideal speed', () => {
  const ideal = (over: Partial<Parameters<typeof idealRpm>[0]>, id = 'steel-low-carbon') =>
    idealRpm({ drill: drill(6.8), material: material(id), depthMm: 10, dry: false, ...over });

  test.each([
    ['plain', {}, 1284],
    ['cobalt', { drill: drill(6.8, 'cobalt') }, 1284 * 1.15],
    ['carbide on a mill', { drill: drill(6.8, 'carbide'), machine: mill }, 1284 * 2.5],
    ['by hand', { machine: hand }, 1284 * 0.7],
    ['dry', { dry: true }, 1284 * 0.7],
    ['over three diameters', { depthMm: 21 }, 1284 * 0.9],
    ['by hand and dry', { machine: hand, dry: true }, 1284 * 0.49],
  ] as const)('%s', (_, over, expected) => expect(ideal(over).value / expected).toBeCloseTo(1, 3));

  test('dry costs nothing where the metal is drilled dry anyway; carbide in a press only warns', () => {
    expect(ideal({ dry: true }, 'iron-grey').value).toBe(ideal({}, 'iron-grey').value);
    expect(ideal({ drill: drill(6.8, 'carbide'), machine: press }).cautions.map((c) => c.code)).toEqual([
      'carbide-loose',
    ]);
  });

  test('deep holes: the next share begins above a whole number of diameters', () => {
    expect([3, 3.1, 4, 4.1, 5, 5.1, 6, 6.1].map(deepHoleFactor)).toEqual([1, 0.9, 0.9, 0.8, 0.8, 0.7, 0.7, 0.65]);
  });

  test('shows what went into it, factors only where they count', () => {
    expect(inputsOf(ideal({}))).toBe('cutting speed, Low-carbon (mild) steel 27.432 m/min, drill 6.8 mm');
    expect(inputsOf(ideal({ machine: hand, depthMm: 30 }))).toContain('held by hand 0.7 ratio, deep hole 0.8 ratio');
    expect(ideal({}).working.assumptions).toHaveLength(2);
    expect(ideal({ drill: drill(6.8, 'hss') }).cautions).toEqual([]);
    expect(inputsOf(ruleOfThumbRpm(material('iron-grey'), 6))).toBe('drill 6 mm, share, Grey cast iron 0.9 ratio');
  });

  test.each([
    ['steel-low-carbon', 1500],
    ['aluminium-wrought-6000', 3000],
    ['brass-free-cutting', 3000],
    ['stainless-austenitic', 750],
    ['steel-alloy-annealed', 1125],
    ['iron-grey', 1350],
    ['titanium-6al4v', 500],
    ['nickel-alloy', 250],
    ['acetal', 1500],
    ['titanium-commercial', 750],
    ['zinc-die-cast', 1500],
  ])('rule of thumb for 6 mm in %s is %d', (id, rpm) =>
    expect(ruleOfThumbRpm(material(id), 6).value).toBeCloseTo(rpm, 6),
  );
});

describe('the step that the machine has', () => {
  const choose = (machine: Machine, ideal: number, id = 'steel-low-carbon', rule?: 'nearest' | 'below') => {
    const c = chooseSpeed(machine, ideal, material(id), rule);
    return c.ok ? [c.value.rpm, ...c.value.cautions.map((x) => x.code)] : c.problems[0].code;
  };

  test.each([
    ['nearest by ratio in mild steel', press, 1284, 'steel-low-carbon', undefined, [980]],
    ['nearest above', press, 1400, 'steel-low-carbon', undefined, [1700]],
    ['next below in stainless', press, 1600, 'stainless-austenitic', undefined, [980]],
    ['by hand the trigger holds the ideal', hand, 1600, 'steel-low-carbon', undefined, [1600]],
    ['nearest when the shop says so', press, 1600, 'stainless-austenitic', 'nearest', [1700]],
    ['below when the shop says so', press, 1600, 'steel-low-carbon', 'below', [980]],
    ['set freely in a range', variable, 1284, 'steel-low-carbon', undefined, [1284]],
    ['end of the range, far below the ideal', variable, 9000, 'steel-low-carbon', undefined, [2800, 'speed-low']],
    ['slowest is fast for it', press, 100, 'steel-low-carbon', undefined, [140, 'speed-high']],
    // 980 is 131.5 % of 745 and by ratio the nearer one: it burns steel and iron, and harms no aluminium.
    ['never over 130 % in steel while a slower step is there', press, 745, 'steel-low-carbon', undefined, [560]],
    ['nor in iron', press, 745, 'iron-grey', undefined, [560]],
    ['nor in free stainless', press, 745, 'stainless-free-machining', undefined, [560]],
    ['the nearest in soft metal', press, 745, 'aluminium-wrought-6000', undefined, [980, 'speed-high']],
    ['just twice the ideal is still turned', press, 70, 'steel-low-carbon', undefined, [140, 'speed-high']],
    ['slowest is more than twice the ideal', variable, 200, 'steel-low-carbon', undefined, 'speed-unreachable'],
  ] as const)('%s', (_, machine, ideal, id, rule, expected) =>
    expect(choose(machine, ideal, id, rule)).toEqual(expected),
  );

  test('a speed far from the ideal says where the machine could go instead', () => {
    const said = (ideal: number, wanted: number): string =>
      asChoice(press, { rpm: wanted, label: '', rule: 'set' }, ideal)
        .cautions.map((c) => tell(c, 'mm'))
        .join();
    expect(said(560, 1700)).toContain(
      '304 % of the ideal 560 rev/min: the lips will burn. The press has slower speeds',
    );
    expect(said(100, 140)).toContain('the slowest that the press has (140 rev/min)');
    expect(said(1700, 560)).toContain('only 32.9 % of the ideal 1700 rev/min');
    expect(said(9000, 3300)).toContain('the press tops out at 3300 rev/min');
    expect(asChoice(press, { rpm: 560, label: '', rule: 'set' }, 500).percentOfIdeal).toBeCloseTo(112, 9);
    expect(slowerSpeeds(press, 980, 200).map((x) => x.rpm)).toEqual([560, 270]);
    expect(
      slowerSpeeds(
        {
          ...press,
          speeds: {
            kind: 'steps',
            steps: [
              { rpm: 300, label: 'a' },
              { rpm: 600, label: 'b' },
              { rpm: 900, label: 'c' },
            ],
          },
        },
        900,
        300,
      ).map((x) => x.rpm),
    ).toEqual([600, 300]);
  });

  test('whatever the ideal, the set speed is one that the machine has', () => {
    fc.assert(
      fc.property(fc.double({ min: 20, max: 60000, noNaN: true }), fc.constantFrom(...MATERIALS), (ideal, m) => {
        const c = chooseSpeed(press, ideal, m);
        if (c.ok) expect(STEPS).toContain(c.value.rpm);
        else expect(ideal).toBeLessThan(70);
        const v = chooseSpeed(variable, ideal, m);
        if (v.ok) expect(v.value.rpm >= 450 && v.value.rpm <= 2800).toBe(true);
      }),
    );
  });
});

test('feed by diameter, material and hand', () => {
  const feed = (mm: number, id: string, byHand = false): number => drillFeed(mm, material(id), byHand).value;
  expect(feed(6, 'steel-low-carbon')).toBeCloseTo(0.11, 9);
  expect(feed(8, 'steel-low-carbon')).toBeCloseTo(0.135, 9);
  expect(feed(6, 'aluminium-wrought-6000')).toBeCloseTo(0.154, 9);
  expect(feed(6, 'steel-low-carbon', true)).toBeCloseTo(0.055, 9);
});

test('pecks: first at 3 D then every 1 D; sooner and shorter in stringy metal', () => {
  expect(peckDepths(5, 14, material('steel-low-carbon'), false)).toEqual([]);
  expect(peckDepths(5, 26, material('steel-low-carbon'), false)).toEqual([15, 20]);
  expect(peckDepths(5, 22.5, material('steel-low-carbon'), false)).toEqual([15, 20]);
  expect(peckDepths(5, 22.4, material('steel-low-carbon'), false)).toEqual([15]);
  expect(peckDepths(4, 10, material('stainless-austenitic'), false)).toEqual([6, 8]);
  // Half of 3 is 1.5: never less than 2 mm apart.
  expect(peckDepths(3, 10, material('stainless-austenitic'), false)).toEqual([4.5, 6.5, 8.5]);
  expect(peckDepths(4, 12, material('steel-low-carbon'), true)).toEqual([6, 10]);
});

describe('torque, power and grab', () => {
  const steel = material('steel-low-carbon');

  test('10 mm at 0.15 mm/rev in mild steel: 6.3 Nm; a pilot takes its share; 480 rpm of it is a third of a kilowatt', () => {
    const [full, opened] = [0, 5].map((pilotMm) => drillingTorque(10, 0.15, 118, steel, pilotMm));
    expect(full.value).toBeCloseTo(6.3, 1);
    expect(opened.value / full.value).toBeCloseTo(0.75, 9);
    expect([full, opened].map(({ working }) => working.inputs.some(({ label }) => label === 'pilot'))).toEqual([
      false,
      true,
    ]);
    expect(spindlePower(6.3, 480)).toBeCloseTo(0.317, 3);
  });

  describe('within the power of a motor: 550 W, of which three quarters reach the spindle', () => {
    const motor: Machine = { ...press, powerW: 550 };
    const fit = (torqueNm: number, over: Partial<PowerQuestion> = {}) =>
      withinPower({
        machine: motor,
        material: steel,
        idealRpm: 500,
        speed: { rpm: 560, label: '', percentOfIdeal: 112, rule: 'nearest', reason: { text: '' }, cautions: [] },
        feed: 0.2,
        torqueNm,
        fixed: { speed: false, feed: false },
        ...over,
      });
    const said = (...args: Parameters<typeof fit>): (string | number)[] => {
      const r = fit(...args);
      return r.ok
        ? [r.value.speed.rpm, +r.value.feed.toFixed(4), ...r.value.cautions.map((c) => `${c.level} ${c.code}`)]
        : r.problems.map((x) => x.code);
    };

    test('enough power changes nothing; nor does a motor that nobody knows', () => {
      // 7 Nm at 560: 410 W of 412.5.
      expect(said(7)).toEqual([560, 0.2]);
      expect(said(900, { machine: press })).toEqual([560, 0.2]);
    });

    test('the feed is eased to half, then the step goes down, then the feed to a quarter, then it is refused', () => {
      // Torque grows with feed to the power of 0.75. 10 Nm: 586 W, so (412.5 / 586.4)^(4 / 3) = 0.6256.
      expect(said(10)).toEqual([560, 0.1251, 'note power']);
      // 14 Nm: 821 W would take 0.3995 of the feed; 270 is over 40 % of 500, and its 395.8 W fit whole.
      expect(said(14)).toEqual([270, 0.2, 'note power']);
      // 30 Nm at 270: 848 W, 0.3826 of the feed: under half at both steps, over a quarter at the slower.
      expect(said(30)).toEqual([270, 0.0765, 'note power']);
      // 60 Nm at 270: 1696 W, 0.152 of the feed.
      expect(said(60)).toEqual(['power']);
    });

    test('what the user has set stays: only the other gives way', () => {
      expect(said(14, { fixed: { speed: true, feed: false } })).toEqual([560, 0.0799, 'note power']);
      expect(said(14, { fixed: { speed: false, feed: true } })).toEqual([270, 0.2, 'note power']);
      expect(said(14, { fixed: { speed: true, feed: true } })).toEqual(['power']);
    });

    test('a range is slowed by tenths, never under two fifths of the ideal', () => {
      const ranged: Machine = { ...motor, speeds: { kind: 'range', minRpm: 100, maxRpm: 2000 } };
      expect(slowerSpeeds(ranged, 1000, 400).map((x) => x.rpm)).toEqual([900, 800, 700, 600, 500, 400]);
      expect(slowerSpeeds(ranged, 1000, 650).map((x) => x.rpm)).toEqual([900, 800, 700]);
      // 8.4 Nm at 560: 492.6 W; half the feed is not needed at once, so the speed stays.
      expect(said(8.4, { machine: ranged })[0]).toBe(560);
    });
  });

  test('a hand drill: the lowest gear that reaches the ideal, and the trigger', () => {
    const cordless: Machine = {
      ...hand,
      speeds: {
        kind: 'steps',
        steps: [
          { rpm: 1600, label: 'gear 2' },
          { rpm: 450, label: 'gear 1' },
        ],
      },
    };
    const at = (ideal: number, wanted?: number) => {
      const c = chooseSpeed(cordless, ideal, steel, 'auto', wanted);
      return c.ok ? [c.value.rpm, c.value.label, c.value.rule, ...c.value.cautions.map((x) => x.code)] : [];
    };
    expect(at(1210)).toEqual([1200, 'gear 2, trigger about 80 %', 'trigger']);
    expect(at(440)).toEqual([450, 'gear 1', 'trigger']);
    expect(at(120)).toEqual([100, 'gear 1, trigger about 20 %', 'trigger']);
    expect(at(5000)).toEqual([1600, 'gear 2', 'trigger', 'speed-low']);
    expect(at(1210, 300)).toEqual([300, 'gear 1, trigger about 70 %', 'set', 'speed-low']);
    expect([nextStep(cordless, 1000, -1), nextStep(cordless, 1600, 1), nextStep(cordless, 55, -1)]).toEqual([
      800, 1600, 50,
    ]);
  });

  test('three times the torque over the lever, and never held by hand', () => {
    expect(grabForce(6.3, 60, false).value).toBeCloseTo(315, 9);
    expect([0, 60, 61, 315, 1e6].map((n) => holdingFor(n).id)).toEqual([
      'stop',
      'stop',
      'loose-vise',
      'vise',
      'clamps',
    ]);
  });
});

describe('the stop in the reading of the machine', () => {
  const set = (kind: DepthStopKind, division: number, travel: number, turn?: number): string =>
    tell(stopSetting(kind, division, { travelMm: travel }, turn), 'mm');

  test('scale, collar, readout, tailstock in turns', () => {
    expect(set('scale', 1, 23.04)).toContain('add 23.0 mm: 23 lines of 1.0 mm');
    // Half a line is judged by eye; what lies between two is set deeper, and not into the wall.
    expect(set('scale', 1, 23.3)).toContain('add 23.5 mm: 23.5 lines');
    expect(set('scale', 1, 6.48)).toContain('add 6.5 mm');
    expect([11.69, 8.6, 0.3].map((mm) => scaleReading(mm, 1, mm + 0.05))).toEqual([undefined, 8.5, undefined]);
    expect([11.69, 0.3].map((mm) => scaleReading(mm, 1, 20))).toEqual([12, 0.5]);
    // A mark a tenth away is as good, not where it goes into the wall; nothing is set at zero.
    expect([2.9, 3.1, 2.89].map((mm) => scaleReading(mm, 1, 20))).toEqual([3, 3, 3]);
    expect([scaleReading(2.9, 1, 2.95), scaleReading(2.9, 1, 3), scaleReading(0.05, 1, 20)]).toEqual([
      undefined,
      3,
      0.5,
    ]);
    const stop = (kind: DepthStopKind, turnMm?: number) => ({
      kind,
      divisionMm: kind === 'tailstock' ? 0.1 : 1,
      turnMm,
    });
    expect(settingOf(stop('scale'), { travelMm: 11.69 })).toBe(12);
    expect(settingOf(stop('scale'), { travelMm: 11.69, mostMm: 11.75 })).toBe(11.69);
    expect(settingOf(stop('collar'), { travelMm: 11.69 })).toBe(11.69);
    expect(settingOf(stop('tailstock', 5), { travelMm: 11.69 })).toBeCloseTo(11.7, 9);
    expect(settingOf(stop('scale'), { travelMm: 0.4, watchMm: 6.2 })).toBe(0.4);
    const thin = tell(stopSetting('scale', 1, { travelMm: 11.69, mostMm: 11.75 }), 'mm');
    expect(thin).toContain('Set 12.0 mm, then close the stop onto a feeler of 0.31 mm');
    expect(tell(stopSetting('scale', 1, { travelMm: 0.4, watchMm: 6.2 }), 'mm')).toContain(
      'watch the diameter, 6.2 mm',
    );
    expect(set('collar', 1, 23.04)).toContain('23.0 mm above the tip');
    expect(set('readout', 0.01, 23.04)).toContain('−23.04 mm');
    expect(set('tailstock', 0.1, 23.04, 5)).toMatch(/4 turns and 3\.0+ mm/);
    expect(set('tailstock', 0.1, 20, 5)).toMatch(/4 turns and 0\.0+ mm/);
    expect(set('tailstock', 0.1, 23.04)).toContain('add 23.0 mm');
    const own: Machine = { ...press, depthStop: { kind: 'readout', divisionMm: 0.01 } };
    const lathe: Machine = { ...press, kind: 'lathe' };
    expect([hand, press, lathe, own, undefined].map((m) => usualStop(m).kind)).toEqual([
      'tape',
      'scale',
      'tailstock',
      'readout',
      'scale',
    ]);
  });

  test('touched in a pilot or a spot a drill stands deeper already', () => {
    // 4 mm pilot under a 118 degree point: 2 / tan 59; 10 spot at 90 under an 8 drill: 1 + 4 / tan 59.
    expect(alreadyDeeper(10, 118, 4)).toBeCloseTo(1.2017, 4);
    expect(alreadyDeeper(8, 118, 10, 90)).toBeCloseTo(1 + 2.4034, 4);
    // A narrower spot is met at its rim: 2 / tan 59. Only a point as sharp as the spot goes to its bottom.
    expect(alreadyDeeper(8, 118, 4, 90)).toBeCloseTo(1.2017, 4);
    expect(alreadyDeeper(8, 90, 4, 118)).toBeCloseTo(1.2017, 4);
  });
});

describe('the chips look like', () => {
  const advise = (sign: ChipSign, id: string, rpm = 980, m: Machine | undefined = press) => {
    const a = adviseFromChips(sign, { rpm, feed: 0.1, idealRpm: 1200 }, material(id), m);
    return [a.speed.ok ? a.speed.value.rpm : 0, +a.feed.toFixed(3), a.peckShare];
  };

  test.each([
    ['curls', 'steel-low-carbon', [980, 0.1, 1]],
    ['needles', 'steel-low-carbon', [980, 0.13, 1]],
    ['needles', 'iron-grey', [980, 0.1, 1]],
    ['blue', 'steel-low-carbon', [560, 0.1, 1]],
    ['strings', 'aluminium-wrought-6000', [980, 0.125, 0.5]],
    ['smeared', 'aluminium-wrought-6000', [980, 0.11, 1]],
    ['smeared', 'steel-low-carbon', [560, 0.11, 1]],
    ['rubs', 'stainless-austenitic', [560, 0.14, 1]],
    ['rubs', 'steel-low-carbon', [980, 0.14, 1]],
  ] as const)('%s in %s', (sign, id, expected) => expect(advise(sign, id)).toEqual(expected));

  test('tells which way speed and feed went', () => {
    const moved = (sign: ChipSign, id = 'steel-low-carbon') =>
      adviseFromChips(sign, { rpm: 980, feed: 0.1, idealRpm: 1200 }, material(id), press).moved;
    expect(moved('curls')).toEqual({ speed: 0, feed: 0 });
    expect(moved('needles')).toEqual({ speed: 0, feed: 1 });
    expect(moved('blue')).toEqual({ speed: -1, feed: 0 });
    expect(moved('rubs', 'stainless-austenitic')).toEqual({ speed: -1, feed: 1 });
  });

  test('at the slowest step there is no slower: said, and the rest of the advice stands', () => {
    const a = adviseFromChips('blue', { rpm: 140, feed: 0.1, idealRpm: 150 }, material('steel-low-carbon'), press);
    expect([a.moved.speed, a.speed.ok && a.speed.value.rpm]).toEqual([0, 140]);
    expect(tell(a.reason, 'mm')).toContain('no slower step');
    const alone = adviseFromChips('blue', { rpm: 1000, feed: 0.1, idealRpm: 1200 }, material('copper'), undefined);
    expect(alone.speed.ok && alone.speed.value.rpm).toBeCloseTo(800, 9);
    const shuffled: Machine = {
      ...press,
      speeds: { kind: 'steps', steps: [980, 140, 560].map((rpm) => ({ rpm, label: '' })) },
    };
    expect([nextStep(shuffled, 560, -1), nextStep(shuffled, 560, 1), nextStep(shuffled, 140, -1)]).toEqual([
      140, 980, 140,
    ]);
    expect([nextStep(press, 3300, 1), nextStep(press, 980, 1), nextStep(variable, 500, -1)]).toEqual([3300, 1700, 450]);
  });
});

test('of drills of one size: cobalt for tough metal, carbide only where it does not snap, worn ones last of their kind', () => {
  const made = (material: Drill['material'], condition?: Drill['condition']): Drill => ({
    ...drill(4.2),
    material,
    condition,
  });
  const drills = [made('carbide'), made('hss', 'worn'), made('cobalt'), made('hss')];
  const order = (id: string, machine?: Machine): string[] =>
    suitedTo({ id: 'x', label: 'x', drills }, material(id), machine).drills.map(
      (d) => `${d.material}${d.condition ? ' worn' : ''}`,
    );
  expect(order('steel-low-carbon', press)).toEqual(['hss', 'hss worn', 'cobalt', 'carbide']);
  expect(order('stainless-austenitic', press)).toEqual(['cobalt', 'hss', 'hss worn', 'carbide']);
  expect(order('steel-low-carbon', { ...press, kind: 'mill' })).toEqual(['hss', 'hss worn', 'carbide', 'cobalt']);
});

describe('speed', () => {
  const steel = material('steel-low-carbon');
  const at = {
    drill: { series: 'metric' as const, label: '8', diameterMm: 8 },
    material: steel,
    depthMm: 10,
    dry: false,
  };
  const charted: Machine = {
    ...press,
    chart: [
      { drillMm: 10, rpm: 800 },
      { drillMm: 6, rpm: 1400 },
    ],
  };

  test('three methods side by side; the shop’s own leads, the formula where it has nothing to say', () => {
    expect(speedMethods({ ...at, machine: charted }).map((s) => [s.id, Math.round(s.rpm.value)])).toEqual([
      ['formula', 1091],
      ['thumb', 1125],
      ['chart', 1100],
    ]);
    expect(chartRpm(charted, { ...at, material: material('stainless-austenitic') })?.value).toBe(550);
    expect(idealByMethod('chart', { ...at, machine: press }).value).toBeCloseTo(1091.5, 0);
    expect(idealByMethod('thumb', { ...at, machine: press }).value).toBe(1125);
  });

  test('pulleys: every row of one belt with every row of the next, marked as plates are', () => {
    const row = (name: string, drivingMm: number, drivenMm: number) => ({ name, drivingMm, drivenMm });
    const train = {
      motorRpm: 1400,
      belts: [{ rows: [row('1', 50, 100), row('2', 75, 75)] }, { rows: [row('A', 40, 160), row('B', 100, 100)] }],
    };
    expect(speedsFromPulleys(train)).toEqual([
      { rpm: 175, label: 'belts 1-A', rows: ['1', 'A'] },
      { rpm: 350, label: 'belts 2-A', rows: ['2', 'A'] },
      { rpm: 700, label: 'belts 1-B', rows: ['1', 'B'] },
      { rpm: 1400, label: 'belts 2-B', rows: ['2', 'B'] },
    ]);
    // A plate is marked to 5 under 500, to 10 from there: 1400 x 60 / 123 = 682.9, x 60 / 170 = 494.1.
    const one = (drivenMm: number) => ({ motorRpm: 1400, belts: [{ rows: [{ name: '1', drivingMm: 60, drivenMm }] }] });
    expect([123, 170, 168].flatMap((d) => speedsFromPulleys(one(d)).map((x) => x.rpm))).toEqual([680, 495, 500]);
  });
});
