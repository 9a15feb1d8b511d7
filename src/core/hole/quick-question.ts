import { findMaterials } from '../materials/find-material';
import type { Material } from '../materials/material';
import { readCallout } from '../threads/read-callout';

/** A callout and perhaps a metal, as one says them in one breath: `M8 brass`, `1/4-20 x .5 DEEP 304`. */
export interface QuickQuestion {
  callout: string;
  /** Undefined where none was given. */
  material?: Material;
}

/** Reads such a text: the longest beginning that is a callout, the rest a metal; undefined where it is none. */
export function quickQuestion(text: string, materials: readonly Material[]): QuickQuestion | undefined {
  const words = text
    .trim()
    .replace(/\s+in\s+/i, ' ')
    .split(/\s+/);
  for (let n = words.length; n > 0; n--) {
    const callout = words.slice(0, n).join(' ');
    if (!readCallout(callout).ok) continue;
    const rest = words.slice(n).join(' ');
    const material = rest === '' ? undefined : findMaterials(rest, materials)[0];
    if (rest === '' || material) return { callout, material };
  }
  return undefined;
}
