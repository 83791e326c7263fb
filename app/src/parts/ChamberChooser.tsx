import {
  CHAMBER_TYPES,
  type Chamber,
  type ChamberStroke,
  type ChamberType,
  chamberSizes,
  chambersLike,
  chamberWords,
} from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Line } from 'react-native-svg';
import { usePalette } from '../look/theme';
import { Choice } from './Choice';
import { RadioGroup } from './RadioGroup';
import { Text } from './Text';

const TYPES: Record<ChamberType, string> = {
  clamp: 'Clamp ring',
  bolt: 'Bolted',
  rotochamber: 'Rotochamber',
  'dual-diaphragm': 'Two diaphragms',
};
const STROKES: Record<ChamberStroke, string> = {
  standard: 'Standard stroke',
  long: 'Long stroke',
  'long-3in': 'Long stroke, 3 in rated',
};
/** Pixels of the largest ring's drawing. */
const LARGEST_PX = 46;

/** A clamp ring beside its fellows, to one scale, with the tape across it. */
function Ring({ nm, largest, chosen }: { nm: number; largest: number; chosen: boolean }) {
  const palette = usePalette();
  const ink = chosen ? palette['on-act'] : palette.ink;
  const r = (nm / largest) * (LARGEST_PX / 2 - 2);
  const c = LARGEST_PX / 2;
  return (
    <Svg width={LARGEST_PX} height={LARGEST_PX} aria-hidden>
      <Circle cx={c} cy={c} r={r} fill="none" stroke={ink} strokeWidth={3} />
      <Circle cx={c} cy={c} r={3} fill={ink} />
      <Line x1={c - r} x2={c + r} y1={c} y2={c} stroke={ink} strokeWidth={1} strokeDasharray="3 3" />
    </Svg>
  );
}

interface Props {
  value: Chamber | null;
  onChange: (chamber: Chamber) => void;
}

function Sizes({ type, value, onChange }: Props & { type: ChamberType }) {
  const sizes = chamberSizes(type).map((size) => ({ size, known: chambersLike(type, size) }));
  const largest = Math.max(1, ...sizes.flatMap(({ known }) => known[0]?.across?.nm ?? 0));
  return (
    <RadioGroup label="Size" className="flex-row flex-wrap gap-2">
      {sizes.map(({ size, known }) => {
        const chosen = value?.type === type && value.size === size;
        const across = known[0]?.across;
        const stroke = known.find(({ chamber }) => chamber.stroke === value?.stroke) ?? known[0];
        return (
          <Pressable
            key={size}
            role="radio"
            aria-checked={chosen}
            aria-label={across ? `${size}, ${across.text} across` : size}
            onPress={() => stroke && onChange(stroke.chamber)}
            className={`min-h-14 min-w-[4.8rem] grow items-center justify-center rounded-xl border-2 px-1 py-1 ${chosen ? 'border-act bg-act' : 'border-edge bg-card'}`}
          >
            {across ? <Ring nm={across.nm} largest={largest} chosen={chosen} /> : null}
            <Text bold size="lead" tone={chosen ? 'on-act' : 'ink'}>
              {size}
            </Text>
            {across ? (
              <Text size="small" tone={chosen ? 'on-act' : 'soft'}>
                {across.text}
              </Text>
            ) : null}
          </Pressable>
        );
      })}
    </RadioGroup>
  );
}

/** Which brake chamber it is: measured across its clamp ring, and told by its stroke. Says the limit that follows. */
export function ChamberChooser({ value, onChange }: Props) {
  const type = value?.type ?? 'clamp';
  const strokes = value ? chambersLike(value.type, value.size) : [];
  const own = strokes.find(({ chamber }) => chamber.stroke === (value?.stroke ?? 'standard'));
  return (
    <View className="gap-3">
      <Choice
        label="Chamber"
        pairs
        options={CHAMBER_TYPES.map((each) => ({ value: each, label: TYPES[each] }))}
        value={type}
        onChange={(next) => {
          const [first] = chambersLike(next, chamberSizes(next)[0] ?? '');
          if (next !== type && first) onChange(first.chamber);
        }}
      />
      {type === 'clamp' ? (
        <Text size="small" tone="soft">
          Measure across the outside of the clamp ring.
        </Text>
      ) : null}
      <Sizes type={type} value={value} onChange={onChange} />
      {strokes.length > 1 ? (
        <Choice
          stacked
          label="Stroke"
          options={strokes.map(({ chamber: { stroke }, limit }) => ({
            value: stroke,
            label: STROKES[stroke],
            note: `Applied stroke at most ${limit}`,
          }))}
          value={value?.stroke ?? 'standard'}
          onChange={(stroke) => value && onChange({ ...value, stroke })}
        />
      ) : null}
      {value && own ? <Text bold>{`${chamberWords(value)}: applied stroke at most ${own.limit}.`}</Text> : null}
    </View>
  );
}
