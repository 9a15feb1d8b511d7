import type { Phrase } from '../answer/answer';
import type { LaidFeature } from './lay-out';
import type { Stock } from './part';

/** What was understood of a file before anything is changed: features, stock, and what was left out. */
export interface Imported {
  features: (Omit<LaidFeature, 'id' | 'face'> & {
    id?: string;
    face?: LaidFeature['face'];
    more?: Record<string, string>;
  })[];
  stock?: Stock;
  /** What was understood, in words. */
  understood: Phrase[];
  leftOut: Phrase[];
}
