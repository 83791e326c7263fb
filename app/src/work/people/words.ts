import { type Day, type PersonWork, qualified, type Shift } from '@zealous-axle/core';
import { dayName } from '../../look/dates';

export const DAY_WORDS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

/** Days in a row as a span: Mon–Fri, Sat. */
function daysWords(days: readonly number[]): string {
  const spans: number[][] = [];
  for (const day of days) {
    const last = spans.at(-1);
    if (last && last.at(-1) === day - 1) last.push(day);
    else spans.push([day]);
  }
  const word = (day: number | undefined) => DAY_WORDS[(day ?? 1) - 1];
  return spans
    .map((span) => (span.length > 2 ? `${word(span[0])}–${word(span.at(-1))}` : span.map(word).join(', ')))
    .join(', ');
}

/** A span of the week’s hours: `Mon–Fri 06:00–14:00`. */
export const shiftWords = ({ days, from, to }: Shift): string => `${daysWords(days)} ${from}–${to}`;

/** What a person does, when they are there, and papers that have expired, a line each. */
export function workLines(work: PersonWork, today: Day): { words: string; expired: boolean }[] {
  const papers = work.qualifications.map(({ name, until }) => ({
    words: until ? `${name} until ${dayName(until)} ${until.slice(0, 4)}` : name,
    expired: qualified(work, name, today) === 'expired',
  }));
  const does = [work.skills.join(' · '), work.shifts.map(shiftWords).join(' · ')].filter(Boolean);
  return [
    ...does.map((words) => ({ words, expired: false })),
    ...papers.map(({ words, expired }) => ({ words: expired ? `${words}: expired` : words, expired })),
  ];
}
