export const MATERIAL_GROUPS = [
  'steel',
  'stainless',
  'iron',
  'aluminium',
  'copper-alloy',
  'titanium',
  'magnesium',
  'zinc',
  'nickel',
  'plastic',
] as const;
export type MaterialGroup = (typeof MATERIAL_GROUPS)[number];

export type FormTapping = 'good' | 'marginal' | 'no';
export type Chips = 'short' | 'powder' | 'long' | 'stringy';

/** A work material in one condition. Typical figures: the shop's own measurements replace them. */
export interface Material {
  id: string;
  label: string;
  group: MaterialGroup;
  /** Brinell hardness; 0 where the scale does not apply. */
  hardnessHb: number;
  tensileMPa: number;
  shearMPa: number;
  elongationPercent: number;
  formTapping: FormTapping;
  /** Drilling speed with a high-speed steel drill, surface feet per minute. */
  drillSfmHss: { low: number; start: number; high: number };
  /** Tapping speed with a cutting tap, surface feet per minute. */
  tapSfmCut: { low: number; high: number };
  /** Specific cutting force at 1 mm chip thickness, MPa, and its exponent. */
  kc11: number;
  mc: number;
  /** Feed as a share of that for mild steel. */
  feedFactor: number;
  /** Percent of thread, 60-degree forms. */
  threadPercent: { low: number; target: number; high: number };
  chips: Chips;
  lubricant: string;
  /** Cut dry as a rule: no fluid is missed. */
  runsDry: boolean;
  notes: string;
  hazard: string;
}

/** Brinell number above which a metal counts as hard here, about 25 HRC. */
export const HARD_HB = 250;

export const isHard = (m: Material): boolean => m.hardnessHb >= HARD_HB;

/** Stainless, titanium, nickel and what is hard: they wear edges, seize taps in small holes, and dry they seize on the tool. */
export const isTough = (m: Material): boolean => m.group === 'stainless' || isHard(m) || isWorkHardening(m);

/** Metals that must have their fluid. */
export const mustHaveFluid = (m: Material): boolean => !m.runsDry && isTough(m);

/** Brinell numbers up to which a metal is tapped by hand (38 HRC), and tapped at all (45 HRC). Our judgement. */
export const TAPPED_TO_HB = { byHand: 355, atAll: 420 } as const;

/** Brinell numbers up to which a drill of this steel cuts: 40 HRC, 46 HRC, whatever there is. Our judgement. */
export const DRILLED_TO_HB = { hss: 371, cobalt: 434, carbide: Infinity } as const;

/** Metals that harden under a rubbing tool: austenitic and hardening stainless, titanium, nickel. */
export const isWorkHardening = (m: Material): boolean =>
  m.group === 'nickel' || m.group === 'titanium' || (m.group === 'stainless' && m.chips === 'stringy');

/** Plastics that give way to the drill and come back: not those that break in crumbs. */
export const isElastic = (m: Material): boolean =>
  m.group === 'plastic' && (m.chips === 'long' || m.chips === 'stringy');

/** Soft and stringy metals, and titanium, spring back on the drill and leave the hole a little small. */
export const closesIn = (m: Material): boolean =>
  m.group === 'titanium' || (m.chips === 'stringy' && m.hardnessHb > 0 && m.hardnessHb < 200);

/** Metals in which a drill with an undubbed lip pulls itself in. */
export const grabs = (m: Material): boolean => m.group === 'copper-alloy' && m.chips === 'short';
