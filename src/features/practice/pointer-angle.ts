import type { PointerEvent } from 'react';

/** Where a pointer is about the middle of what it is on, radians. */
export function pointerAngle({ currentTarget, clientX, clientY }: PointerEvent): number {
  const box = currentTarget.getBoundingClientRect();
  return Math.atan2(clientY - box.top - box.height / 2, clientX - box.left - box.width / 2);
}

/** How far it went round, the short way, turns. */
export const turnsBetween = (from: number, to: number): number =>
  Math.atan2(Math.sin(to - from), Math.cos(to - from)) / (2 * Math.PI);
