import type { Note } from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { usePalette } from '../../../look/theme';
import { Because } from '../../../parts/Because';
import { Choice } from '../../../parts/Choice';
import { Text } from '../../../parts/Text';
import { VerdictBadge } from '../../../parts/VerdictMark';
import type { PadProps } from '../kinds/kind';

/** Stud holes of most wheels. */
export const USUAL_HOLES = 10;

const HOLES = [
  { value: '5', label: '5' },
  { value: '6', label: '6' },
  { value: '8', label: '8' },
  { value: '10', label: '10' },
] as const;
type Holes = (typeof HOLES)[number]['value'];

/** What a stud can be, in the order in which touching it goes through. */
const STATES = ['tight', 'loose', 'missing', 'rust'] as const;
type State = (typeof STATES)[number];
const WORDS: Record<State, string> = { tight: '', loose: 'Loose', missing: 'Gone', rust: 'Rust' };
const LOOK: Record<State, string> = {
  tight: 'border-edge bg-card',
  loose: 'border-violation bg-violation-tint',
  missing: 'border-out bg-out-tint',
  rust: 'border-shop bg-shop-tint',
};

const SIZE = 336;
const STUD = 64;

function stateOf({ loose = [], missing = [], rust = [] }: Note, at: number): State {
  if (missing.includes(at)) return 'missing';
  if (loose.includes(at)) return 'loose';
  return rust.includes(at) ? 'rust' : 'tight';
}

function withState(note: Note, at: number, state: State): Note {
  const without = (list: number[] = []) => list.filter((each) => each !== at);
  const lists = { loose: without(note.loose), missing: without(note.missing), rust: without(note.rust) };
  return state === 'tight' ? lists : { ...lists, [state]: [...lists[state], at].sort((a, b) => a - b) };
}

/** The wheel with its studs in their places: touching one goes from tight over loose and missing to a rust trail. */
export function NutsPad({ draft, entry, judged, note: change }: PadProps) {
  const palette = usePalette();
  const { note } = entry;
  const holes = note.holes ?? draft.carried.holes ?? USUAL_HOLES;
  const turn = (at: number) => {
    const next = STATES[(STATES.indexOf(stateOf(note, at)) + 1) % STATES.length] ?? 'tight';
    change({ holes, ...withState(note, at, next) });
  };
  const middle = SIZE / 2;
  const radius = middle - STUD / 2 - 2;
  return (
    <View className="gap-3">
      <Choice
        label="Stud holes"
        hideLabel
        options={HOLES}
        value={String(holes) as Holes}
        onChange={(text) => change({ holes: Number(text), loose: [], missing: [], rust: [] })}
      />
      <View style={{ width: SIZE, height: SIZE }} className="self-center">
        <Svg width={SIZE} height={SIZE} aria-hidden>
          <Circle cx={middle} cy={middle} r={radius} stroke={palette.edge} strokeWidth={3} fill="none" />
          <Circle cx={middle} cy={middle} r={46} stroke={palette.edge} strokeWidth={3} fill={palette.raised} />
        </Svg>
        {Array.from({ length: holes }, (_, index) => {
          const at = index + 1;
          const angle = (index / holes) * 2 * Math.PI - Math.PI / 2;
          const state = stateOf(note, at);
          return (
            <Pressable
              key={at}
              role="button"
              aria-label={`Stud ${at}: ${state === 'rust' ? 'rust trail' : state}`}
              onPress={() => turn(at)}
              className={`absolute items-center justify-center rounded-full border-2 ${LOOK[state]}`}
              style={{
                width: STUD,
                height: STUD,
                left: middle + radius * Math.cos(angle) - STUD / 2,
                top: middle + radius * Math.sin(angle) - STUD / 2,
              }}
            >
              <Text bold reading>
                {at}
              </Text>
              {WORDS[state] ? (
                <Text bold className="text-[14px] leading-[15px]">
                  {WORDS[state]}
                </Text>
              ) : null}
            </Pressable>
          );
        })}
      </View>
      <View className="min-h-10 items-center">
        {judged.opinion ? (
          <VerdictBadge verdict={judged.opinion.verdict} />
        ) : (
          <Text tone="soft">Tap a stud that is not tight.</Text>
        )}
      </View>
      {judged.opinion ? <Because said={judged.opinion.said} /> : null}
    </View>
  );
}
