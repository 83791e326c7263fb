import { goodHub, type HubNotes } from '@zealous-axle/core';
import { Pressable, View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { usePalette } from '../../../look/theme';
import { Button } from '../../../parts/Button';
import { Choice } from '../../../parts/Choice';
import { RadioGroup } from '../../../parts/RadioGroup';
import { Text } from '../../../parts/Text';

type Level = NonNullable<HubNotes['level']>;

/** Levels from the top of the glass down, with how much of it is filled. */
const LEVELS: readonly { level: Level; label: string; fill: number }[] = [
  { level: 'above-full', label: 'Above full', fill: 0.92 },
  { level: 'full', label: 'At full', fill: 0.74 },
  { level: 'between', label: 'Between', fill: 0.6 },
  { level: 'at-add', label: 'At add', fill: 0.46 },
  { level: 'below-add', label: 'Below add', fill: 0.26 },
  { level: 'empty', label: 'Empty', fill: 0.02 },
  { level: 'unreadable', label: 'Cannot be read', fill: 0 },
];
const CONDITIONS = [
  { value: 'clear', label: 'Clear' },
  { value: 'dark', label: 'Dark' },
  { value: 'milky', label: 'Milky' },
  { value: 'metal', label: 'Metal' },
] as const;
const LEAKS = [
  { value: 'none', label: 'Dry' },
  { value: 'seep', label: 'Damp' },
  { value: 'outside', label: 'Leaking outside' },
  { value: 'onto-lining', label: 'Leaking on lining' },
] as const;
const HEATS = [
  { value: 'cool', label: 'Cool' },
  { value: 'warm', label: 'Warm' },
  { value: 'hot', label: 'Hot' },
] as const;
const YES = [{ value: 'yes', label: 'Cap missing' }] as const;

/** Good, and nothing else noted: what was noted before is taken back. */
const CLEAN: HubNotes = { cap: undefined, smoking: undefined, heat: undefined };
const GOOD: HubNotes = { ...CLEAN, ...goodHub() };
const isGood = ({ level, condition, leak, cap, smoking }: HubNotes) =>
  level === GOOD.level && condition === GOOD.condition && leak === GOOD.leak && cap !== 'missing' && !smoking;

/** The sight glass with its marks and the level that was chosen. */
function Glass({ level }: { level: Level | undefined }) {
  const palette = usePalette();
  const fill = LEVELS.find((each) => each.level === level)?.fill ?? 0;
  const top = 112 - fill * 104;
  return (
    <Svg width={112} height={120} viewBox="0 0 120 120" aria-hidden>
      <Circle cx={60} cy={60} r={55} fill={palette.raised} stroke={palette.edge} strokeWidth={5} />
      {level && level !== 'unreadable' && fill > 0.05 ? (
        <Path
          d={`M${60 - Math.sqrt(Math.max(0, 2704 - (top - 60) ** 2))} ${top} A52 52 0 ${fill > 0.5 ? 1 : 0} 0 ${60 + Math.sqrt(Math.max(0, 2704 - (top - 60) ** 2))} ${top} Z`}
          fill={palette.shop}
          opacity={0.75}
        />
      ) : null}
      <Line x1={22} x2={98} y1={35} y2={35} stroke={palette.ink} strokeWidth={2.5} />
      <Line x1={22} x2={98} y1={64} y2={64} stroke={palette.ink} strokeWidth={2.5} strokeDasharray="7 5" />
      <Rect x={53} y={53} width={14} height={14} rx={7} fill={palette.edge} />
      {level === 'unreadable' ? (
        <Path d="M28 92 92 28M22 74 74 22M46 98 98 46" stroke={palette.open} strokeWidth={5} />
      ) : null}
    </Svg>
  );
}

interface HubPadProps {
  hub: HubNotes;
  oil: boolean;
  onNote: (hub: HubNotes) => void;
  /** Looked at and found good: taken at once. */
  onGood: (hub: HubNotes) => void;
}

/** A hub's oil read against the marks of its glass. Nothing is chosen beforehand: what is not looked at stays open. */
export function HubPad({ hub, oil, onNote: note, onGood }: HubPadProps) {
  const good = oil ? GOOD : { ...CLEAN, leak: 'none' as const };
  return (
    <View className="gap-2">
      <Button
        tall
        look={isGood(hub) || (!oil && hub.leak === 'none') ? 'act' : 'plain'}
        label={oil ? 'Between marks, clear, dry' : 'Dry, no leak'}
        onPress={() => onGood(good)}
      />
      {oil ? (
        <View className="flex-row flex-wrap gap-3">
          <View className="mx-auto items-center justify-center gap-1">
            <Glass level={hub.level} />
            <Text size="small" tone="soft">
              full —, add - -
            </Text>
          </View>
          <RadioGroup label="Level" className="min-w-[11rem] flex-1 flex-row flex-wrap gap-2">
            {LEVELS.map(({ level, label }) => {
              const chosen = hub.level === level;
              return (
                <Pressable
                  key={level}
                  role="radio"
                  aria-checked={chosen}
                  aria-label={`Level: ${label}`}
                  onPress={() => note({ level })}
                  className={`min-h-11 grow basis-[45%] items-center justify-center rounded-xl border-2 px-1 ${chosen ? 'border-act bg-act' : 'border-edge bg-card'}`}
                >
                  <Text bold={chosen} tone={chosen ? 'on-act' : 'ink'}>
                    {label}
                  </Text>
                </Pressable>
              );
            })}
          </RadioGroup>
        </View>
      ) : (
        <Text tone="soft">This hub has no oil level. Look for leaks and a missing cap, and feel for heat.</Text>
      )}
      {oil ? (
        <Choice
          label="Oil"
          hideLabel
          options={CONDITIONS}
          value={hub.condition ?? null}
          onChange={(condition) => note({ condition })}
        />
      ) : null}
      <Choice
        label="Leak"
        hideLabel
        options={LEAKS}
        pairs
        value={hub.leak ?? null}
        onChange={(leak) => note({ leak })}
      />
      <Choice
        label="Heat, by hand"
        hideLabel
        options={HEATS}
        value={hub.heat ?? null}
        onChange={(heat) => note({ heat })}
      />
      <View className="flex-row gap-2">
        <View className="flex-1">
          <Choice
            label="Cap"
            hideLabel
            options={YES}
            value={hub.cap === 'missing' ? 'yes' : null}
            onChange={() => note({ cap: hub.cap === 'missing' ? 'in-place' : 'missing' })}
          />
        </View>
        <View className="flex-1">
          <Choice
            label="Smoke"
            hideLabel
            options={[{ value: 'yes', label: 'Smoking' }]}
            value={hub.smoking ? 'yes' : null}
            onChange={() => note({ smoking: !hub.smoking })}
          />
        </View>
      </View>
    </View>
  );
}
