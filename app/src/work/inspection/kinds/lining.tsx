import { isDisc, wheelEnd } from '@zealous-axle/core';
import { View } from 'react-native';
import { Line, Path } from 'react-native-svg';
import { Toggle } from '../../../parts/Toggle';
import { type AtStep, field, type KindPad, type PadField, type PadProps, type Texts, valueField } from './kind';
import { markOf } from './look';

const DRUM_POINTS = [
  'Upper shoe, outer end',
  'Upper shoe, inner end',
  'Lower shoe, outer end',
  'Lower shoe, inner end',
];
const DISC_POINTS = ['Outer pad', 'Inner pad'];

/** Every point of its shoes or pads. */
function pointsOf({ draft, step }: AtStep): PadField[] {
  const end = step.axle && step.side ? wheelEnd(draft.unit, step.axle, step.side) : null;
  const points = end && isDisc(end) ? DISC_POINTS : DRUM_POINTS;
  return points.map((label, index) => field(`p${index}`, label, 'fraction'));
}

const hiddenOf = ({ entry: { note } }: AtStep): readonly string[] => (note.several ? (note.hidden ?? []) : []);

/** The points that can be seen. */
const fields = (at: AtStep): PadField[] =>
  at.entry.note.several
    ? pointsOf(at).filter(({ id }) => !hiddenOf(at).includes(id))
    : [valueField('Thinnest point', 'fraction')];

/** The points read, with how many cannot be seen; of those still to come, `missing` too. */
function pointsBody(at: AtStep, texts: Texts, missing: number) {
  const points = fields(at).flatMap(({ id }) => texts[id] ?? []);
  const unseen = hiddenOf(at).length + missing;
  return { points, ...(unseen ? { unseen } : {}) };
}

function Options(pad: PadProps) {
  const { note } = pad.entry;
  const { note: change } = pad;
  const hidden = hiddenOf(pad);
  const points = note.several ? pointsOf(pad) : [];
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        <Toggle
          label={note.several ? 'One number: the thinnest' : 'Each shoe or pad'}
          on={false}
          onChange={() => change({ several: !note.several, hidden: undefined })}
        />
        {points.map(({ id, label }) => {
          const on = hidden.includes(id);
          return (
            <Toggle
              key={id}
              label={`${label}: cannot be seen`}
              on={on}
              onChange={() => change({ hidden: on ? hidden.filter((each) => each !== id) : [...hidden, id] })}
            />
          );
        })}
      </View>
    </View>
  );
}

export const lining: KindPad = {
  how: () => 'The thinnest point of both shoes or pads, seen from both sides.',
  drawing: (palette) => (
    <>
      <Path d="M8 52A46 46 0 0 1 92 52" stroke={palette.ink} strokeWidth={5} fill="none" />
      <Path d="M20 54A34 34 0 0 1 80 54" stroke={palette.edge} strokeWidth={10} fill="none" />
      <Line x1={50} x2={50} y1={7} y2={25} {...markOf(palette)} />
      <Path d="M44 7h12M44 25h12" {...markOf(palette)} />
    </>
  ),
  fields,
  // As many points as are asked for are read: of each shoe or pad, every one.
  body: (at, texts) => {
    const given = pointsBody(at, texts, 0);
    return given.points.length > 0 && given.points.length === fields(at).length ? given : null;
  },
  soFar: (at, texts) => {
    const read = pointsBody(at, texts, 0).points.length;
    return at.entry.note.several && read > 0 ? pointsBody(at, texts, fields(at).length - read) : null;
  },
  limited: () => ({ reading: 'lining' }),
  wholes: { keys: [0, 1], usual: 0 },
  unlikely: {
    grown: 'Lining does not get thicker. Was it relined, or is one reading wrong?',
    shrunk: 'That is a lot of wear since then. Check the thinnest point again.',
    'too-much': 'Thicker than any lining. Check what you typed.',
  },
  Options,
};
