import { type ForecastRow, formatDistance, type PositionView, placeWords, type WearingKind } from '@zealous-axle/core';
import { dayName } from '../../look/dates';

export const KIND_WORDS: Readonly<Record<WearingKind, string>> = {
  lining: 'Lining',
  tread: 'Tread',
  drum: 'Drum',
  rotor: 'Rotor',
  'stroke-applied': 'Stroke',
};
export const WHOSE_WORDS = { law: 'law', maker: 'maker', fleet: 'fleet' } as const;

/** A date with its year, since it may be far off. */
export const farDay = (day: string): string => `${dayName(day)} ${day.slice(0, 4)}`;

type Placed = Pick<ForecastRow, 'axle' | 'side' | 'tyre'>;
export const atWords = ({ axle, side, tyre }: Placed): string => placeWords({ axle, side, tyre });

/** When a limit is reached, with what it may well be instead. */
function reachWords({ on, earliest, latest }: { on: string; earliest: string | null; latest: string | null }): string {
  const from = earliest && earliest !== on ? farDay(earliest) : null;
  if (!from) return farDay(on);
  return `${farDay(on)}; eight times of ten ${latest ? `between ${from} and ${farDay(latest)}` : `not before ${from}`}`;
}

/** What is foreseen of a part, in one sentence. */
export function foreseenWords({ state, first, lives }: PositionView, shown: (text: string) => string): string {
  const count = lives.at(-1)?.points.length ?? 0;
  switch (state) {
    case 'not-enough':
      return `Not enough readings: ${count} of this part. It takes three over 30 days.`;
    case 'past':
      return `Past the ${WHOSE_WORDS[first?.whose ?? 'law']}’s limit of ${shown(first?.value ?? '')} now.`;
    case 'no-limit':
      return 'No limit in the book. Check the maker’s manual.';
    case 'steady':
      return 'No limit reached within three years at this rate of wear.';
    case 'foreseen':
      return first?.reach
        ? `Reaches ${shown(first.value)} (${WHOSE_WORDS[first.whose]}) ${reachWords(first.reach)}.`
        : '';
  }
}

export const BEGAN_WORDS = {
  'first-reading': 'first reading here',
  fitted: 'fitted',
  'seems-new': 'reads like a new part; none recorded',
} as const;

export const distanceWords = (metres: number | null, unit: 'mi' | 'km'): string =>
  metres === null ? '–' : formatDistance(metres, unit);
