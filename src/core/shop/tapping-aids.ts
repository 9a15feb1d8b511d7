import type { TappingAids } from '../tapping/tapping-question';
import { toolsOf, type Tool, type ToolKind } from './tool';

const AIDS: readonly ToolKind[] = ['tap-wrench', 'tapping-head', 'tapping-block', 'spring-centre'];

/**
 * What the crib has for driving taps. Undefined where the crib is not known, or lists nothing of the kind: the usual
 * aids are then assumed.
 */
export function tappingAids(tools: readonly Tool[] | undefined): TappingAids | undefined {
  if (!tools?.some((t) => AIDS.includes(t.kind))) return undefined;
  return {
    springCentre: toolsOf(tools, 'spring-centre').length > 0,
    block: toolsOf(tools, 'tapping-block').length > 0,
    wrenches: toolsOf(tools, 'tap-wrench').map(({ name, smallMm = 0, diameterMm = 100 }) => ({
      name,
      fromMm: smallMm,
      toMm: diameterMm,
    })),
    holders: toolsOf(tools, 'tap-holder').map(({ name, smallMm = 0, diameterMm = 100 }) => ({
      name,
      fromMm: smallMm,
      toMm: diameterMm,
    })),
    heads: toolsOf(tools, 'tapping-head').map((t) => ({
      name: t.name,
      fromMm: t.smallMm ?? 0,
      toMm: t.diameterMm ?? 100,
      fromNm: t.fromNm ?? 0,
      toNm: t.toNm ?? Infinity,
      deepStop: t.fit === 'depth stop',
    })),
  };
}
