import { checkEntry, type Limit, placeCode, type Step, stepWords } from '@zealous-axle/core';

/** Where a step is, shortly; nothing for the unit as a whole. */
export const stepPlace = (step: Step): string => (step.axle || step.side ? placeCode(step) : '');

/** A step in a few words, as its save button says it: `1L applied stroke`. */
export function kindWords(step: Step): string {
  const words = stepWords(step);
  const small = /^[A-Z][a-z]/.test(words) ? words.charAt(0).toLowerCase() + words.slice(1) : words;
  return [stepPlace(step), small].filter(Boolean).join(' ');
}

const IS_WORDS: Record<Limit['is'], string> = {
  'at-most': 'Not more than',
  'at-least': 'Not less than',
  'more-than': 'More than',
  'less-than': 'Less than',
};
export const limitWords = (
  { is, value, perSeconds }: Limit,
  shown: (text: string) => string = (text) => text,
): string =>
  `${IS_WORDS[is]} ${shown(value)}${perSeconds ? ` in ${perSeconds === 60 ? 'a minute' : `${perSeconds / 60} min`}` : ''}`;

const AIR_HOW: Record<string, string> = {
  'leak-released': 'Engine off, brakes released, full pressure. Read the gauge, start the clock, read it again.',
  'leak-applied':
    'Engine off, full application held. After the first drop read the gauge, start the clock, read it again.',
  'low-air': 'Engine off, ignition on: pump the brake down slowly until the warning comes.',
  'spring-brake': 'Pump further down until the valves pop out and the spring brakes set.',
  governor: 'Engine running: note where the compressor stops, pump down, note where it starts again.',
  'build-up': 'Engine at working speed: start the clock at 85 psi, stop it at 100.',
  'suspension-leak': 'Air suspension charged, engine off: over five minutes.',
};

const HOW: Record<Exclude<Step['kind'], 'check' | 'air-test'>, string> = {
  'stroke-applied': 'Travel of the pushrod from released to full application.',
  'stroke-free':
    'Brakes released: move the adjuster until the lining touches. Never compare this with the applied limit.',
  lining: 'The thinnest point of both shoes or pads, both sides looked at.',
  drum: 'Inside diameter, at the widest place. The mark on the drum decides.',
  rotor: 'Thickness at the thinnest place. The mark on the rotor decides.',
  tread: 'The smallest major groove, never on a wear bar.',
  pressure: 'With a gauge, cold. A hot reading is converted, never bled.',
  dual: 'Look between the tyres: they must not touch, loaded or not.',
  'wheel-nuts': 'Positions count clockwise from the top. Touch the ones that are not tight.',
  'hub-oil': 'Level ground, settled oil, clean glass.',
  'end-play': 'Dial indicator on the hub, wheel off the ground, pulled and pushed.',
  'king-pin': 'At the wear band, in two directions.',
  'slider-pins': 'Count the pins, then those fully through.',
  'mud-flap': 'From the ground to the lower edge of the flap.',
};

/** How a step is measured or looked at, in a sentence. */
export function howWords({ kind, item }: Step): string {
  if (kind === 'check') return checkEntry(item ?? '')?.good ?? '';
  return kind === 'air-test' ? (AIR_HOW[item ?? ''] ?? '') : HOW[kind];
}
