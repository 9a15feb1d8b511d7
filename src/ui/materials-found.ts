import { designationHit, findMaterials } from '@/core/materials/find-material';
import type { Material } from '@/core/materials/material';
import type { Find } from './pick-list';

/** Finds materials for a list to pick from, each with the designation that was hit. */
export const materialsFound =
  (materials: readonly Material[]): Find =>
  (text) =>
    findMaterials(text, materials).map((m) => ({ id: m.id, label: m.label, detail: designationHit(text, m) }));
