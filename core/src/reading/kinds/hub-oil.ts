import { z } from 'zod';
import { endOf, endPlace, kindOf } from '../kind';

export const HUB_LEVELS = ['above-full', 'full', 'between', 'at-add', 'below-add', 'empty', 'unreadable'] as const;
export const HUB_CONDITIONS = ['clear', 'dark', 'milky', 'metal'] as const;
export const HUB_LEAKS = ['none', 'seep', 'outside', 'onto-lining'] as const;
export const HUB_HEATS = ['cool', 'warm', 'hot'] as const;

const noted = {
  level: z.enum(HUB_LEVELS).optional(),
  condition: z.enum(HUB_CONDITIONS).optional(),
  leak: z.enum(HUB_LEAKS).optional(),
  cap: z.enum(['in-place', 'missing']).optional(),
  smoking: z.boolean().optional(),
  heat: z.enum(HUB_HEATS).optional(),
};
const schema = z.strictObject({ kind: z.literal('hub-oil'), ...endPlace, ...noted });

export type HubNotes = Omit<z.infer<typeof schema>, 'kind' | 'axle' | 'side'>;

/** A hub with nothing wrong: what one tap on “Good” notes. A grease-packed or sealed one has no level. */
export const goodHub = (hub: 'oil' | 'grease' | 'sealed' = 'oil'): HubNotes =>
  hub === 'oil' ? { level: 'between', condition: 'clear', leak: 'none' } : { leak: 'none' };

const LEVEL_WORDS: Record<NonNullable<HubNotes['level']>, string> = {
  'above-full': 'above full',
  full: 'full',
  between: 'between marks',
  'at-add': 'at add',
  'below-add': 'below add',
  empty: 'empty',
  unreadable: 'not readable',
};
const LEAK_WORDS = { none: '', seep: 'seep', outside: 'leaking', 'onto-lining': 'leaks on lining' } as const;

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

export const hubOil = kindOf(schema)({
  kind: 'hub-oil',
  part: 'hub',
  words: 'Hub oil',
  short: 'Hub',
  at: 'end',
  text: hubWords,
  good: (at) => ({ kind: 'hub-oil', ...endOf(at), ...goodHub() }),
});
