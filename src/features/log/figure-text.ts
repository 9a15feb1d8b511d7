import { mm, quantity } from '@/core/answer/answer';
import { showText, type Display } from '@/core/units/show';

/** A learned figure as people read it: ratios as times the usual, lengths with their sign. */
export function figureText(unit: string, value: number, display: Display): string {
  if (unit === 'ratio') return `× ${value.toFixed(2)}`;
  if (unit === 'mm') {
    if (Math.abs(value) < 5e-4) return '0';
    const sign = value > 0 ? '+' : value < 0 ? '−' : '';
    return `${sign}${showText(mm(Math.abs(value)), display)}`;
  }
  return unit === 'deg' ? showText(quantity(value, 'deg'), display) : `${value.toFixed(1)} turns`;
}
