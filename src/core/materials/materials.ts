import type { Material } from './material';
import table from './materials.table.json';

/** The materials that a new shop starts with: typical figures for the condition named. */
export const MATERIALS = table as readonly Material[];
