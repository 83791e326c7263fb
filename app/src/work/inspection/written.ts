import { type Draft, type PadUnit, parsePressure } from '@zealous-axle/core';
import type { PadField } from './kinds/kind';

/** What was typed as a length of the wire: `1 7/8` becomes `1 7/8 in`, `6` on a tread pad `6/32`. */
export function writtenLength(keys: PadField['keys'], typed: string, padUnit: PadUnit): string {
  const text = typed.trim();
  if (text === '' || /[a-z"″]/i.test(text)) return text;
  if (padUnit === 'in' && keys === '32nds' && /^\d+$/.test(text)) return `${text}/32`;
  return `${text} ${padUnit}`;
}

const bare = (text: string): boolean => /^\d+(\.\d+)?$/.test(text.trim());

/** A typed pressure as a quantity; null while it is not one. */
export function pressureText(typed: string, unit: Draft['airUnit'] = 'psi'): string | null {
  const text = bare(typed) ? `${typed.trim()} ${unit}` : typed.trim();
  return parsePressure(text).ok ? text : null;
}

/** A typed temperature with its unit: the person's own, where none was typed. */
export const temperatureText = (typed: string, unit: Draft['temperatureUnit'] = '°F'): string =>
  /^-?\d+(\.\d+)?$/.test(typed.trim()) ? `${typed.trim()} ${unit}` : typed.trim();
