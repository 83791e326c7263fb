import type { Note } from '@zealous-axle/core';
import { View } from 'react-native';
import { Line, Path } from 'react-native-svg';
import { Stepper } from '../../../parts/Stepper';
import { Text } from '../../../parts/Text';
import { Toggle } from '../../../parts/Toggle';
import { grooveField, TreadGrid } from '../pads/TreadGrid';
import {
  type AtStep,
  type FieldsProps,
  field,
  type KindPad,
  type PadField,
  type PadProps,
  type Texts,
  valueField,
} from './kind';
import { bodyOf, markOf } from './look';

const DEFAULT_SPOTS = 3;
const DEFAULT_GROOVES = 3;
const MOST_SPOTS = 8;
const MOST_GROOVES = 6;

const WEAR: readonly { mark: NonNullable<Note['wear']>[number]; label: string }[] = [
  { mark: 'both-shoulders', label: 'Both shoulders' },
  { mark: 'centre', label: 'Center' },
  { mark: 'one-shoulder', label: 'One shoulder' },
  { mark: 'cupped', label: 'Cupped' },
  { mark: 'feathered', label: 'Feathered' },
  { mark: 'flat-spots', label: 'Flat spots' },
];

function fields({ entry: { note } }: AtStep): PadField[] {
  if (!note.several) return [valueField('Smallest groove', '32nds')];
  const grooves = note.grooves ?? DEFAULT_GROOVES;
  return Array.from({ length: (note.spots ?? DEFAULT_SPOTS) * grooves }, (_, index) => {
    const [spot, groove] = [Math.floor(index / grooves), index % grooves];
    return field(grooveField(spot, groove), `Place ${spot + 1}, groove ${groove + 1}`, '32nds');
  });
}

function grid(note: Note, texts: Texts): string[][] | null {
  const [spots, grooves] = [note.spots ?? DEFAULT_SPOTS, note.grooves ?? DEFAULT_GROOVES];
  const rows = Array.from({ length: spots }, (_, spot) =>
    Array.from({ length: grooves }, (__, groove) => texts[grooveField(spot, groove)]),
  );
  // A spot counts when all its grooves were read; one begun and not ended keeps the reading from being taken.
  const begun = rows.filter((row) => row.some((each) => each !== undefined));
  const whole = begun.filter((row): row is string[] => row.every((each) => each !== undefined));
  return begun.length && whole.length === begun.length ? whole : null;
}

function Grid({ entry: { note }, current, textAt, onChoose }: FieldsProps) {
  return (
    <TreadGrid
      spots={note.spots ?? DEFAULT_SPOTS}
      grooves={note.grooves ?? DEFAULT_GROOVES}
      current={current}
      textAt={textAt}
      onChoose={onChoose}
    />
  );
}

function WearMarks({ entry: { note }, note: change }: PadProps) {
  return (
    <View className="flex-row flex-wrap gap-2">
      {WEAR.map(({ mark, label }) => {
        const on = note.wear?.includes(mark) ?? false;
        const wear = on ? (note.wear ?? []).filter((each) => each !== mark) : [...(note.wear ?? []), mark];
        return <Toggle key={mark} label={label} on={on} onChange={() => change({ wear })} />;
      })}
    </View>
  );
}

function Options(pad: PadProps) {
  const { note } = pad.entry;
  return (
    <View className="gap-2">
      <View className="flex-row flex-wrap gap-2">
        <Toggle
          label={note.several ? 'One number for this tire' : 'Places and grooves'}
          on={false}
          onChange={() => pad.note({ several: !note.several })}
        />
      </View>
      {note.several ? (
        <>
          <Stepper
            label="Places around the tire"
            value={note.spots ?? DEFAULT_SPOTS}
            least={1}
            most={MOST_SPOTS}
            onChange={(spots) => pad.note({ spots })}
          />
          <Stepper
            label="Major grooves"
            value={note.grooves ?? DEFAULT_GROOVES}
            least={1}
            most={MOST_GROOVES}
            onChange={(grooves) => pad.note({ grooves })}
          />
        </>
      ) : null}
      <Text size="small" tone="soft">
        Uneven wear, if any
      </Text>
      <WearMarks {...pad} />
    </View>
  );
}

export const tread: KindPad = {
  how: () => 'The smallest major groove, never on a wear bar.',
  drawing: (palette) => (
    <>
      <Path d="M6 56V18h16v18h10V18h16v18h10V18h16v18h10V18h10v38Z" {...bodyOf(palette)} />
      <Line x1={53} x2={53} y1={18} y2={36} {...markOf(palette)} />
      <Path d="M47 18h12" {...markOf(palette)} />
    </>
  ),
  fields,
  body: ({ entry: { note } }, texts) => {
    const grooves = note.several ? grid(note, texts) : texts.value ? [[texts.value]] : null;
    return grooves ? { grooves, ...(note.wear?.length ? { wear: note.wear } : {}) } : null;
  },
  limited: () => ({ reading: 'tread' }),
  unlikely: {
    grown: 'Tread does not get deeper. Another tire, or is one reading wrong?',
    shrunk: 'That is a lot of wear since then. Is the gauge on a wear bar?',
    'too-much': 'Deeper than any tread. Check what you typed.',
  },
  fieldsPad: ({ entry: { note } }) => (note.several ? Grid : null),
  Options,
};
