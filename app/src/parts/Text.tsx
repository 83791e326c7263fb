import { Text as NativeText, type TextProps } from 'react-native';

const SIZES = {
  small: 'text-small',
  body: 'text-body',
  lead: 'text-lead',
  title: 'text-title',
  reading: 'text-reading',
  huge: 'text-huge',
} as const;
const TONES = {
  ink: 'text-ink',
  soft: 'text-soft',
  act: 'text-act',
  'on-act': 'text-on-act',
  card: 'text-card',
  out: 'text-out',
  violation: 'text-violation',
  shop: 'text-shop',
  within: 'text-within',
  open: 'text-open',
} as const;
export type Tone = keyof typeof TONES;

interface Props extends Omit<TextProps, 'role'> {
  size?: keyof typeof SIZES;
  tone?: Tone;
  bold?: boolean;
  /** Readings and figures: tabular digits that cannot be confused. */
  reading?: boolean;
  /** A heading of this level. */
  level?: 1 | 2 | 3;
  role?: TextProps['role'];
}

/** All words of the program. */
export function Text({ size = 'body', tone = 'ink', bold, reading, level, className = '', ...props }: Props) {
  const family = reading ? 'font-reading tracking-tighter' : 'font-words';
  const weight = bold ? (reading ? 'font-bold' : 'font-semibold') : reading ? 'font-medium' : 'font-normal';
  return (
    <NativeText
      {...(level ? { role: 'heading' as const, 'aria-level': level } : {})}
      className={`${SIZES[size]} ${TONES[tone]} ${family} ${weight} ${className}`}
      {...props}
    />
  );
}
