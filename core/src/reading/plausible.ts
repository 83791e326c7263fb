import { must, parseLength, parsePressure } from '../measure';

/** More than any brake system or tyre of a road vehicle holds. */
const MOST_PRESSURE = '200 psi';

export const pascals = (text: string): number => must(parsePressure(text));

/** Why a pressure cannot be; null when it can. */
export const oddPressure = (...texts: readonly (string | undefined)[]): string | null => {
  const odd = texts.find((text) => text && pascals(text) > pascals(MOST_PRESSURE));
  return odd ? `${odd} is not plausible: at most ${MOST_PRESSURE}. Check the unit of measure and read it again.` : null;
};

/** Why a length cannot be one of a range; null when it can. */
export function oddLength(what: string, text: string, least: string, most: string): string | null {
  const nm = (written: string) => must(parseLength(written, 'none'));
  if (nm(text) >= nm(least) && nm(text) <= nm(most)) return null;
  return `${text} is not plausible for ${what}: ${least} to ${most}. Check the unit of measure and measure again.`;
}
