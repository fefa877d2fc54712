import type { Schema } from '../api/client';

export type Stand = Schema['StandOut'];

/** A number with as many digits as a cook reads: 0.42, 6.5, 120. */
export function figure(value: number): string {
  if (value === 0) return '0';
  const digits = Math.abs(value) < 1 ? 2 : Math.abs(value) < 10 ? 1 : 0;
  return value.toFixed(digits);
}

/** Minutes as a cook says them: 45 min, 3 h, 1 h 20. */
export function minutesText(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const rest = whole % 60;
  return rest ? `${Math.floor(whole / 60)} h ${rest}` : `${whole / 60} h`;
}

/** Grams in the unit that is read most easily. */
export function gramsText(grams: number): string {
  return grams >= 1000 ? `${Number((grams / 1000).toFixed(2))} kg` : `${figure(grams)} g`;
}
