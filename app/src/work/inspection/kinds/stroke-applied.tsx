import { formatLike, parseLength } from '@zealous-axle/core';
import { View } from 'react-native';
import { Line, Path, Rect } from 'react-native-svg';
import { Choice } from '../../../parts/Choice';
import { Stepper } from '../../../parts/Stepper';
import { pressureText } from '../written';
import { field, type KindPad, type PadProps, pair, valueField } from './kind';
import { bodyOf, markOf } from './look';

const METHODS = [
  { value: 'face-mark', label: 'Mark at the face' },
  { value: 'pin-distance', label: 'Face to pin' },
] as const;
const MOST_PRESSES = 50;

function Options({ entry: { note }, note: change }: PadProps) {
  return (
    <View className="gap-2">
      <Choice
        label="Method"
        hideLabel
        options={METHODS}
        value={note.method === 'pin-distance' ? 'pin-distance' : 'face-mark'}
        onChange={(method) => change({ method })}
      />
      <Stepper
        label="Hard applications before this"
        value={note.presses ?? 0}
        least={0}
        most={MOST_PRESSES}
        onChange={(presses) => change({ presses })}
      />
    </View>
  );
}

const difference = (released: string, applied: string): string | null => {
  const [a, b] = [parseLength(released, 'none'), parseLength(applied, 'none')];
  return a.ok && b.ok && b.value >= a.value ? formatLike(b.value - a.value, released) : null;
};

const body: KindPad['body'] = ({ draft, entry: { note } }, texts) => {
  const byDistance = note.method === 'pin-distance';
  const distances = pair(texts, 'released', 'applied');
  const value = byDistance ? distances && difference(...distances) : texts.value;
  if (value === null) return 'Applied must be the longer distance: the pushrod travels out.';
  if (!value) return null;
  const reservoir = pressureText(draft.reservoir, draft.airUnit);
  return {
    value,
    ...(reservoir ? { reservoir } : {}),
    ...(note.method ? { method: note.method } : {}),
    ...(distances && byDistance ? { distances } : {}),
    ...(note.presses ? { presses: note.presses } : {}),
  };
};

export const strokeApplied: KindPad = {
  how: () => 'Travel of the pushrod from released to full application.',
  drawing: (palette) => (
    <>
      <Path d="M4 10h26q10 12 10 20t-10 20H4Z" {...bodyOf(palette)} />
      <Rect x={40} y={26} width={50} height={8} {...bodyOf(palette)} />
      <Path d="M90 18v24M84 18l12 24" stroke={palette.ink} strokeWidth={4} />
      <Line x1={42} x2={74} y1={48} y2={48} {...markOf(palette)} />
      <Path d="M42 43v10M74 43v10" {...markOf(palette)} />
    </>
  ),
  fields: ({ entry: { note } }) =>
    note.method === 'pin-distance'
      ? [field('released', 'Face to pin, released', 'fraction'), field('applied', 'Face to pin, applied', 'fraction')]
      : [valueField('Stroke', 'fraction')],
  body,
  limited: () => ({ reading: 'stroke-applied' }),
  reservoir: true,
  wholes: { keys: [0, 1, 2, 3], usual: 1 },
  unlikely: {
    grown: 'That is much longer than last time: full application, at the chamber face?',
    shrunk: 'That is much shorter than last time: were the spring brakes released, and was it a full application?',
    'too-much': 'Longer than any pushrod travels. Check what you typed.',
    'too-little': 'That is hardly any travel: were the spring brakes released, and was it a full application?',
  },
  Options,
};
