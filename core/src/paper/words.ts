import { defectWords } from '../defects';
import { must, parseLength } from '../measure';
import type { Reading, ReadingOf } from '../wire';

const LEVEL_WORDS: Record<NonNullable<ReadingOf<'hub-oil'>['level']>, string> = {
  'above-full': 'above full',
  full: 'full',
  between: 'between marks',
  'at-add': 'at add',
  'below-add': 'below add',
  empty: 'empty',
  unreadable: 'not readable',
};
const LEAK_WORDS = { none: '', seep: 'seep', outside: 'leaking', 'onto-lining': 'leaks on lining' } as const;

export type HubNotes = Pick<ReadingOf<'hub-oil'>, 'level' | 'condition' | 'leak' | 'cap' | 'smoking' | 'heat'>;

/** A hub in words: what stands out first. */
export function hubWords({ level, condition, leak, cap, smoking, heat }: HubNotes): string {
  const odd = [
    smoking ? 'smoking' : '',
    cap === 'missing' ? 'cap missing' : '',
    leak ? LEAK_WORDS[leak] : '',
    heat === 'hot' ? 'hot' : '',
    condition && condition !== 'clear' ? condition : '',
  ].filter(Boolean);
  return [...odd, ...(level ? [LEVEL_WORDS[level]] : [])].join(', ') || 'dry';
}

const least = (texts: readonly string[]): string =>
  [...texts].sort((a, b) => must(parseLength(a, '32nds')) - must(parseLength(b, '32nds')))[0] ?? '';

function nutWords({ holes, loose = [], missing = [], rust = [] }: ReadingOf<'wheel-nuts'>): string {
  const gone = new Set([...loose, ...missing]).size;
  if (gone) return `${gone} of ${holes} loose or missing`;
  return rust.length ? `rust at ${rust.length} of ${holes}` : `${holes} tight`;
}

function airWords({ start, end, value, seconds, cutIn, cutOut }: ReadingOf<'air-test'>): string {
  const parts = [
    start && end ? `${start} to ${end}` : value,
    seconds ? `${seconds} s` : '',
    cutIn ? `in ${cutIn}` : '',
    cutOut ? `out ${cutOut}` : '',
  ];
  return parts.filter(Boolean).join(', ');
}

/** A reading in a few characters, for lists, the plan and paper. */
export function readingWords(value: Reading): string {
  switch (value.kind) {
    case 'lining':
      return least(value.points);
    case 'tread':
      return least(value.grooves.flat()).replace(/ in$/, '');
    case 'hub-oil':
      return hubWords(value);
    case 'wheel-nuts':
      return nutWords(value);
    case 'king-pin':
      return least(value.pin);
    case 'slider-pins':
      return `${value.seated} of ${value.pins} seated`;
    case 'dual':
      return value.touching ? 'touching' : (value.diameters?.join(' and ') ?? 'apart');
    case 'air-test':
      return airWords(value);
    case 'check':
      return value.found.length ? value.found.map(defectWords).join(', ') : 'good';
    case 'defect':
      return defectWords(value.code);
    default:
      return value.value;
  }
}
