import type { DrillMaterial } from './drill';

/** Holes two diameters deep in mild steel after which a drill is dull. Our judgement, until the log knows better. */
export const DRILL_LIFE_HOLES: Record<DrillMaterial, number> = { hss: 250, cobalt: 400, carbide: 1000 };
