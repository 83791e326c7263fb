import type { Book } from '@zealous-axle/core';
import { memo, type ReactNode } from 'react';
import { View } from 'react-native';
import { bookOf } from '../../../data/draft';
import { DEFAULT_GROOVES, DEFAULT_PLACES } from '../../../data/fields';
import type { Note } from '../../../data/note';
import { useShown } from '../../../data/rules';
import { Choice } from '../../../parts/Choice';
import { T } from '../../../parts/T';
import type { PadProps } from './pad';
import { Stepper } from './Stepper';
import { Toggle } from './Toggle';

const METHODS = [
  { value: 'face-mark', label: 'Mark at the face' },
  { value: 'pin-distance', label: 'Face to pin' },
] as const;
const FREE_METHODS = [
  { value: 'bar', label: 'By bar' },
  { value: 'hand', label: 'By hand' },
] as const;
const WEAR: readonly { mark: NonNullable<Note['wear']>[number]; label: string }[] = [
  { mark: 'both-shoulders', label: 'Both shoulders' },
  { mark: 'centre', label: 'Centre' },
  { mark: 'one-shoulder', label: 'One shoulder' },
  { mark: 'cupped', label: 'Cupped' },
  { mark: 'feathered', label: 'Feathered' },
  { mark: 'flat-spots', label: 'Flat spots' },
];
const SIZES = [
  { value: 'small', label: '8.25 and smaller' },
  { value: 'large', label: '9.00 and larger' },
] as const;

interface HotProps {
  rule: Book['inflation'];
  note: Note;
  onNote: (change: Note) => void;
}

/** Whether a tyre was read hot, and which allowance it then takes. */
function HotOptions({ rule: { hotAfterAnHourAt, heavyAbove }, note, onNote }: HotProps) {
  const { shown } = useShown();
  const [from = '', to = ''] = hotAfterAnHourAt.map(shown);
  const ratings = [
    { value: 'yes', label: `Rated above ${heavyAbove}` },
    { value: 'no', label: `Rated to ${heavyAbove}` },
  ] as const;
  return (
    <View className="gap-2">
      <Row>
        <Toggle
          label={`Hot: ran ${from.replace(/ \D+$/, '')} to ${to} in the past hour`}
          on={note.hot ?? false}
          onChange={(hot) => onNote({ hot })}
        />
      </Row>
      {note.hot ? (
        <Choice
          label="Load rating"
          hideLabel
          options={ratings}
          value={note.heavy === undefined ? null : note.heavy ? 'yes' : 'no'}
          onChange={(rated) => onNote({ heavy: rated === 'yes' })}
        />
      ) : null}
    </View>
  );
}

const Row = ({ children }: { children: ReactNode }) => <View className="flex-row flex-wrap gap-2">{children}</View>;

const sameChoices = (a: PadProps, b: PadProps): boolean =>
  a.step === b.step && a.entry.note === b.entry.note && a.draft.carried === b.draft.carried;

/** What may be chosen beside the figures of a step, by its kind. Drawn again only when a choice changes. */
export const Options = memo(function Options({ draft, step, entry, note: change }: PadProps) {
  const { note } = entry;
  switch (step.kind) {
    case 'stroke-applied':
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
            label="Pressed hard before this"
            value={note.presses ?? 0}
            least={0}
            most={50}
            onChange={(presses) => change({ presses })}
          />
        </View>
      );
    case 'stroke-free':
      return (
        <Choice
          label="Moved"
          hideLabel
          options={FREE_METHODS}
          value={note.method === 'hand' ? 'hand' : 'bar'}
          onChange={(method) => change({ method })}
        />
      );
    case 'lining':
      return (
        <Row>
          <Toggle
            label={note.several ? 'One number: the thinnest' : 'Each shoe or pad'}
            on={false}
            onChange={() => change({ several: !note.several })}
          />
        </Row>
      );
    case 'tread':
      return (
        <View className="gap-2">
          <Row>
            <Toggle
              label={note.several ? 'One number for this tyre' : 'Places and grooves'}
              on={false}
              onChange={() => change({ several: !note.several })}
            />
          </Row>
          {note.several ? (
            <>
              <Stepper
                label="Places round the tyre"
                value={note.places ?? DEFAULT_PLACES}
                least={1}
                most={8}
                onChange={(places) => change({ places })}
              />
              <Stepper
                label="Major grooves"
                value={note.grooves ?? DEFAULT_GROOVES}
                least={1}
                most={6}
                onChange={(grooves) => change({ grooves })}
              />
            </>
          ) : null}
          <T size="small" tone="soft">
            How it is worn, if unevenly
          </T>
          <Row>
            {WEAR.map(({ mark, label }) => {
              const on = note.wear?.includes(mark) ?? false;
              const wear = on ? (note.wear ?? []).filter((each) => each !== mark) : [...(note.wear ?? []), mark];
              return <Toggle key={mark} label={label} on={on} onChange={() => change({ wear })} />;
            })}
          </Row>
        </View>
      );
    case 'pressure':
      return <HotOptions rule={bookOf(draft).inflation} note={note} onNote={change} />;
    case 'dual':
      return (
        <View className="gap-2">
          <Row>
            <Toggle label="They are apart" on={note.touching === false} onChange={() => change({ touching: false })} />
            <Toggle label="They touch" on={note.touching === true} onChange={() => change({ touching: true })} />
          </Row>
          <Choice
            label="Compare diameters, tyre size"
            options={SIZES}
            value={note.size ?? draft.carried.size ?? null}
            onChange={(size) => change({ size })}
          />
        </View>
      );
    default:
      return null;
  }
}, sameChoices);
