import { checkEntry } from '../../catalogue';

/** Of codes those that are signs of a check. */
export function signsOf(check: string, codes: readonly string[]): string[] {
  const own = new Set(checkEntry(check)?.signs.map(({ code }) => code));
  return codes.filter((code) => own.has(code));
}

/** A doubt, or something without a name, is what a person says, not what a trailer has. */
export const isHidden = (code: string): boolean => !code.startsWith('unsure') && !code.startsWith('other');
