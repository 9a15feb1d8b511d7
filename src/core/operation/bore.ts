import type { Callout } from '../threads/callout';
import type { ChosenDrill } from './choose-plain-drill';

/** The main bore is the one that is tapped, or the narrowest of a hole without a thread. */
export type BoreRole = 'upper' | 'main' | 'lower';

/** One bore of a hole, with the drill for it. Depths in mm from the face. */
export interface BoreToMake {
  role: BoreRole;
  /** As it ends: the drawn size, or the tap drill's. */
  diameterMm: number;
  chosen: ChosenDrill;
  /** Full diameter down to here. */
  fullMm: number;
  through: boolean;
  /** Its drill's cone stays, as drawn. */
  counterdrilled?: true;
  /** Reamed to its size: its fit, and the upper limit over it where it is listed, mm. */
  ream?: { fit?: string; upperMm?: number };
}

/** A tool that the user wants for a large or thin plain hole. */
export const BORE_TOOLS = ['drill', 'annular', 'saw', 'step-drill'] as const;
export type BoreTool = (typeof BORE_TOOLS)[number];

/** A hole with everything settled that its operations follow from. */
export interface HoleToMake {
  callout: Callout;
  /** Widest first; exactly one is the main bore. */
  bores: BoreToMake[];
  /** It comes out at the back. */
  through: boolean;
  /** Mouth that opens the first thread, mm; undefined where there is no thread. */
  chamferMm?: number;
  /** A plain hole that is there already, mm. */
  existingMm?: number;
  /** The existing hole does as it is: nothing is drilled. */
  serves: boolean;
  tool?: BoreTool;
}

/** The bore that is tapped, or the narrowest of a hole without a thread. */
export const mainBore = ({ bores }: HoleToMake): BoreToMake => bores.find((b) => b.role === 'main') ?? bores[0];
