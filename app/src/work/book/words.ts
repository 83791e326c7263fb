import { type Chamber, chamberWords, type Limit } from '@zealous-axle/core';

const BRAKE_WORDS: Record<string, string> = {
  's-cam': 'S-cam',
  wedge: 'wedge',
  'air-disc': 'air disc',
  'hydraulic-drum': 'hydraulic drum',
  'hydraulic-disc': 'hydraulic disc',
  electric: 'electric',
};
const LINING_WORDS = { strip: 'one strip', pads: 'two pads', unknown: 'style not known' } as const;
const IS_WORDS: Record<Limit['is'], string> = {
  'at-most': 'not more than',
  'at-least': 'not less than',
  'more-than': 'more than',
};

/** What a limit asks for, in its own words: `not more than 2 in`. */
export const limitWords = ({ is, value }: Limit): string => `${IS_WORDS[is]} ${value}`;

/** What a limit applies to, in words. */
export function whereWords({ brake, steer, liningStyle, chamber }: Limit['where']): string {
  if (chamber) return chamberWords(chamber as Chamber);
  return [
    steer === undefined ? '' : steer ? 'Front wheels of a power unit' : 'Every other wheel',
    brake ? brake.map((each) => BRAKE_WORDS[each] ?? each).join(', ') : '',
    liningStyle ? liningStyle.map((each) => LINING_WORDS[each]).join(' or ') : '',
  ]
    .filter(Boolean)
    .join(', ');
}

export const JUDGES_WORDS: Record<Limit['judges'], string> = {
  verdict: '',
  share: 'counts as a defective brake past this',
  'out-of-service': 'out of service past this, in two adjacent grooves at three places',
};
export const SURE_WORDS = { law: 'Law', practice: 'Practice', check: 'Confirm locally' } as const;
