import { chosen, type Random, shuffled } from '../../chance';
import type { Book, KeptCheck } from '../../limits';
import { DEFAULT_BOOK, ownCheckOf, plainBook } from '../../limits';
import { keyOf, type Reading, type ReadingKey, type ReadingOf, type Step } from '../../reading';

/** What a shop's own check shows where it stands: its signs, and what it measures. */
export interface OwnSeen {
  key: ReadingKey;
  found: string[];
  value?: string;
  unit?: string;
}

/** The book a made-up unit is judged by: the plain one, with the shop's own checks. */
export const practiceBook = (checks: readonly KeptCheck[]): Book =>
  checks.length ? { ...plainBook(DEFAULT_BOOK), checks } : plainBook(DEFAULT_BOOK);

const isOwn = ({ kind }: Step): boolean => kind === 'own-check';
const askedAt = (checks: readonly KeptCheck[], step: Step): KeptCheck | null => ownCheckOf(checks, step.item ?? '');

/** Everything good, at each step that asks for an own check. */
export const goodOwn = (checks: readonly KeptCheck[], steps: readonly Step[]): OwnSeen[] =>
  steps.filter(isOwn).map((step) => {
    const figure = askedAt(checks, step)?.figure;
    return {
      key: keyOf(step),
      found: [],
      ...(figure ? { value: figure.least ?? figure.most ?? '1', unit: figure.unit } : {}),
    };
  });

/** What an own check reads where it stands. */
export function ownReading(own: readonly OwnSeen[], step: Step): ReadingOf<'own-check'> {
  const seen = own.find(({ key }) => key === keyOf(step));
  return {
    kind: 'own-check',
    check: step.item ?? '',
    ...(step.axle ? { axle: step.axle } : {}),
    ...(step.side ? { side: step.side } : {}),
    found: [...(seen?.found ?? [])],
    ...(seen?.value === undefined ? {} : { value: seen.value, unit: seen.unit ?? '' }),
  };
}

interface OwnFault {
  id: string;
  words: string;
  step: Step;
  apply: (own: OwnSeen[]) => void;
}

const put = (own: OwnSeen[], step: Step, more: Partial<OwnSeen>): void => {
  const seen = own.find(({ key }) => key === keyOf(step));
  if (seen) Object.assign(seen, more);
};

/** A figure past what it may be, by one of its last place: below the least where that can be, else above the most. */
function pastFigure({ least, most }: NonNullable<KeptCheck['figure']>): string | null {
  const places = Math.max(...[least, most].map((text) => text?.split('.')[1]?.length ?? 0));
  const step = 10 ** -places;
  if (least !== undefined && Number(least) - step >= 0) return (Number(least) - step).toFixed(places);
  return most === undefined ? null : (Number(most) + step).toFixed(places);
}

/** Faults own checks can have, in an order by chance. */
export function ownFaults(random: Random, checks: readonly KeptCheck[], steps: readonly Step[]): OwnFault[] {
  return shuffled(random, steps.filter(isOwn)).flatMap((step): OwnFault[] => {
    const asked = askedAt(checks, step);
    if (!asked) return [];
    const name = `own-check:${asked.name}`;
    const past = asked.figure ? pastFigure(asked.figure) : null;
    const signs = asked.signs.map(({ sign }) => sign);
    if (past !== null && (signs.length === 0 || random.next() < 0.5)) {
      const words = `${asked.name}: ${past} ${asked.figure?.unit ?? ''}`.trim();
      return [{ id: name, words, step, apply: (own) => put(own, step, { value: past }) }];
    }
    if (signs.length === 0) return [];
    const sign = chosen(random, signs);
    return [
      {
        id: `${name}:${sign}`,
        words: `${asked.name}: ${sign}`,
        step,
        apply: (own) => put(own, step, { found: [sign] }),
      },
    ];
  });
}

const PRESSES = ['next-visit', 'before-use', 'hold'] as const;
type Presses = (typeof PRESSES)[number];

/** How much an own check's reading presses, as the shop has it; null where it shows nothing wrong, or is no own check. */
export function ownPress(checks: readonly KeptCheck[], reading: Reading): Presses | null {
  if (reading.kind !== 'own-check') return null;
  const asked = ownCheckOf(checks, reading.check);
  if (!asked) return null;
  const { least, most } = asked.figure ?? {};
  const value = reading.value === undefined ? null : Number(reading.value);
  const past = value !== null && ((least && value < Number(least)) || (most && value > Number(most)));
  const all = [
    ...asked.signs.filter(({ sign }) => reading.found.includes(sign)).map(({ presses }) => presses),
    ...(past && asked.figure ? [asked.figure.presses] : []),
  ];
  return [...PRESSES].reverse().find((each) => all.includes(each)) ?? null;
}
