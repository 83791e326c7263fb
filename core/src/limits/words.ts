import { type Chamber, chamberWords } from '../trailer';
import type { Limit } from './book';

const BRAKE_WORDS: Record<string, string> = {
  's-cam': 'S-cam',
  wedge: 'wedge',
  'air-disc': 'air disc',
  'hydraulic-drum': 'hydraulic drum',
  'hydraulic-disc': 'hydraulic disc',
  electric: 'electric',
};
const LINING_WORDS = { strip: 'one strip', pads: 'two pads', unknown: 'style not known' } as const;
const VEHICLE_WORDS = {
  single: 'one vehicle',
  combination: 'a combination',
  'two-trailers': 'two or more trailers',
} as const;
const SIZE_WORDS = { small: 'tires 8.25 and smaller', large: 'tires 9.00 and larger' } as const;
/** A comparison in words: what keeps the limit. */
export const LIMIT_IS_WORDS: Record<Limit['is'], string> = {
  'at-most': 'no more than',
  'at-least': 'at least',
  'more-than': 'more than',
  'less-than': 'less than',
};

/** What a limit asks for, in its own words: `no more than 2 in`. */
export function limitWords({ is, value, perSeconds }: Limit, shown: (text: string) => string = (text) => text): string {
  const per = perSeconds ? (perSeconds === 60 ? ' a minute' : ` in ${perSeconds / 60} min`) : '';
  return `${LIMIT_IS_WORDS[is]} ${shown(value)}${per}`;
}

/** What a limit applies to, in words. */
export function whereWords({ where, appliesTo }: Pick<Limit, 'where'> & Partial<Pick<Limit, 'appliesTo'>>): string {
  const { brake, steer, liningStyle, chamber, vehicles, size, power, wheel } = where;
  if (chamber) return chamberWords(chamber as Chamber);
  const words = [
    steer === undefined ? '' : steer ? 'Front wheels of a power unit' : 'Every other wheel',
    brake ? brake.map((each) => BRAKE_WORDS[each] ?? each).join(', ') : '',
    liningStyle ? liningStyle.map((each) => LINING_WORDS[each]).join(' or ') : '',
    vehicles ? vehicles.map((each) => VEHICLE_WORDS[each]).join(', ') : '',
    size ? SIZE_WORDS[size] : '',
    wheel?.from ? `wheel from ${wheel.from}` : '',
    wheel?.below ? `${wheel.from ? '' : 'wheel '}below ${wheel.below}` : '',
    power === undefined ? '' : power ? 'power steering' : 'no power steering',
    appliesTo?.from ? `from ${appliesTo.from}` : '',
    appliesTo?.to ? `up to ${appliesTo.to}` : '',
  ]
    .filter(Boolean)
    .join(', ');
  return words ? words.charAt(0).toUpperCase() + words.slice(1) : 'Everywhere';
}

export const JUDGES_WORDS: Record<Limit['judges'], string> = {
  verdict: '',
  share: 'Counts as a defective brake past this',
  'out-of-service': 'Out of service past this, in two adjacent grooves at three places',
};
const SURE_WORDS = { law: 'Law', practice: 'Practice', check: 'Confirm locally' } as const;

/** A source with how sure it is, once: practice is not said twice. */
export const sourceWords = (source: string, sure: Limit['sure'] | null): string =>
  !sure || (sure === 'practice' && /practice/i.test(source)) ? source : `${source} · ${SURE_WORDS[sure].toLowerCase()}`;
