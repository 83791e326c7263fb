import { z } from 'zod';
import { pressureText } from '../../measure';
import { chockedSchema, kindOf } from '../kind';
import { oddPressure, pascals } from '../plausible';

export const AIR_TESTS = [
  'leak-released',
  'leak-applied',
  'low-air',
  'spring-brake',
  'governor',
  'build-up',
  'suspension-leak',
] as const;
export type AirTest = (typeof AIR_TESTS)[number];

export const AIR_TEST_WORDS: Record<AirTest, string> = {
  'leak-released': 'Leak-down, brakes released',
  'leak-applied': 'Leak-down, brakes applied',
  'low-air': 'Low-air warning',
  'spring-brake': 'Spring brakes apply',
  governor: 'Governor',
  'build-up': 'Air build-up',
  'suspension-leak': 'Air suspension leak',
};
export const isAirTest = (item: string): item is AirTest => (AIR_TESTS as readonly string[]).includes(item);

/** What is coupled while the air is tested. */
export const VEHICLES = ['single', 'combination', 'two-trailers'] as const;

const schema = z.strictObject({
  kind: z.literal('air-test'),
  test: z.enum(AIR_TESTS),
  /** Leak-down: the pressure at the start and at the end of the time. */
  start: pressureText.optional(),
  end: pressureText.optional(),
  seconds: z.int().min(1).max(3_600).optional(),
  /** The pressure at which the warning came, or the spring brakes set. */
  value: pressureText.optional(),
  cutIn: pressureText.optional(),
  cutOut: pressureText.optional(),
  /** Where this unit's maker lets its governor cut out, where that is known. */
  maker: pressureText.optional(),
  vehicles: z.enum(VEHICLES).optional(),
  chocked: chockedSchema,
});
type Test = z.infer<typeof schema>;

function text({ start, end, value, seconds, cutIn, cutOut }: Test): string {
  const parts = [
    start && end ? `${start} to ${end}` : value,
    seconds ? `${seconds} s` : '',
    cutIn ? `in ${cutIn}` : '',
    cutOut ? `out ${cutOut}` : '',
  ];
  return parts.filter(Boolean).join(', ');
}

/** Below this a system is not charged, and has nothing to lose. */
const CHARGED: Partial<Record<AirTest, string>> = {
  'leak-released': '60 psi',
  'leak-applied': '60 psi',
  'suspension-leak': '10 psi',
};

function odd({ test, start, end, value, cutIn, cutOut }: Test): string | null {
  const charged = CHARGED[test];
  if (charged && start && pascals(start) < pascals(charged))
    return `${start} is too low to start from. Charge to at least ${charged} and run the test again.`;
  if (cutIn && cutOut && pascals(cutIn) >= pascals(cutOut))
    return `A governor cuts in below where it cuts out: ${cutIn} and ${cutOut} cannot both be right.`;
  return oddPressure(start, end, value, cutIn, cutOut);
}

const GOOD: Record<AirTest, Partial<Test>> = {
  'leak-released': { start: '112 psi', end: '111 psi', seconds: 60, vehicles: 'single' },
  'leak-applied': { start: '96 psi', end: '94.5 psi', seconds: 60, vehicles: 'single' },
  'suspension-leak': { start: '100 psi', end: '99 psi', seconds: 300 },
  'low-air': { value: '60 psi' },
  'spring-brake': { value: '30 psi' },
  governor: { cutIn: '102 psi', cutOut: '125 psi' },
  'build-up': { seconds: 30 },
};

export const airTest = kindOf(schema)({
  kind: 'air-test',
  chocked: ['leak-released'],
  part: 'air',
  words: 'Air test',
  at: 'unit',
  item: ({ test }) => test,
  odd,
  text,
  good: ({ item = '' }) => {
    const test = isAirTest(item) ? item : 'leak-released';
    return { kind: 'air-test', test, ...GOOD[test] };
  },
});
