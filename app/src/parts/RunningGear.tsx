import {
  type Axle,
  positionCode,
  SIDES,
  type Side,
  type Tyre,
  type UnitKind,
  type Verdict,
  wheelEnd,
} from '@zealous-axle/core';
import { memo } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { type Palette, usePalette } from '../look/theme';
import { Text } from './Text';
import { VerdictMark } from './VerdictMark';
import { useVerdictWord, VERDICT_LOOK } from './verdict';

/** What the plan shows at one axle end. */
export interface EndState {
  verdict: Verdict | null;
  tyres?: Partial<Record<Tyre, Verdict>>;
  /** Short readings, one a line. */
  lines?: readonly string[];
}

interface Props {
  unit: { kind: UnitKind; axles: Axle[] };
  /** By position code of the axle end: `2L`. */
  ends: Readonly<Record<string, EndState>>;
  size: 'small' | 'medium' | 'large';
  selected?: string | null;
  /** Axle ends that a job covers. */
  covered?: readonly string[];
  onSelect?: (code: string) => void;
}

const ROW = { small: 30, medium: 132, large: 156 } as const;
const NOSE = { small: 22, medium: 54, large: 64 } as const;
/** Width of the drawing's own scale; on the screen it takes a little less, so that the readings have room. */
const WIDTH = 112;
const SHOWN_WIDTH = 98;
const MIDDLE = WIDTH / 2;

function Nose({ kind, height, palette }: { kind: UnitKind; height: number; palette: Palette }) {
  const rail = { stroke: palette.edge, strokeWidth: 3, fill: 'none' } as const;
  const top = 3;
  return (
    <Svg width={SHOWN_WIDTH} height={height} viewBox={`0 0 ${WIDTH} ${height}`} preserveAspectRatio="none" aria-hidden>
      {kind === 'dolly' || kind === 'full-trailer' ? (
        <Path d={`M44 ${height} L${MIDDLE} ${top + 6} L68 ${height}`} {...rail} />
      ) : kind === 'semitrailer' ? (
        <>
          <Path d={`M44 ${height} V${top} H68 V${height}`} {...rail} />
          <Circle cx={MIDDLE} cy={height / 2} r={Math.min(7, height / 5)} fill={palette.edge} />
        </>
      ) : (
        <Path
          d={`M38 ${height} V${height * 0.4} Q38 ${top} ${MIDDLE} ${top} Q74 ${top} 74 ${height * 0.4} V${height}`}
          {...rail}
        />
      )}
    </Svg>
  );
}

/** One axle from above: rails, beam, hubs and tyres in their places. */
function AxleDrawing({
  unit,
  axle,
  height,
  ends,
  palette,
}: Pick<Props, 'unit' | 'ends'> & { axle: number; height: number; palette: Palette }) {
  const y = height / 2;
  const tall = Math.min(height * 0.62, 64);
  const lifted = unit.axles[axle - 1]?.lift ?? false;
  const fill = (verdict: Verdict | null | undefined) =>
    verdict ? palette[`${VERDICT_LOOK[verdict].tone}-tint`] : palette.raised;
  const edge = (verdict: Verdict | null | undefined) => (verdict ? palette[VERDICT_LOOK[verdict].tone] : palette.edge);
  // Stretched to its row, which grows where letters are large.
  return (
    <View style={{ width: SHOWN_WIDTH, minHeight: height }}>
      <Svg
        style={StyleSheet.absoluteFill}
        width="100%"
        height="100%"
        viewBox={`0 0 ${WIDTH} ${height}`}
        preserveAspectRatio="none"
        aria-hidden
      >
        <Line x1={44} x2={44} y1={0} y2={height} stroke={palette.edge} strokeWidth={3} />
        <Line x1={68} x2={68} y1={0} y2={height} stroke={palette.edge} strokeWidth={3} />
        <Line
          x1={20}
          x2={92}
          y1={y}
          y2={y}
          stroke={palette.ink}
          strokeWidth={5}
          strokeDasharray={lifted ? '7 5' : undefined}
        />
        {SIDES.flatMap((side) => {
          const end = wheelEnd({ id: '', ...unit }, axle, side);
          const state = ends[positionCode({ axle, side })];
          const at = (fromEdge: number, width: number) => (side === 'left' ? fromEdge : WIDTH - fromEdge - width);
          const tyres: [Tyre, number, number][] =
            end?.tyres === 'dual'
              ? [
                  ['outer', 2, 15],
                  ['inner', 20, 15],
                ]
              : [['single', 6, 22]];
          return tyres.map(([tyre, from, width]) => {
            const verdict = state?.tyres?.[tyre] ?? null;
            return (
              <Rect
                key={`${side} ${tyre}`}
                x={at(from, width)}
                y={y - tall / 2}
                width={width}
                height={tall}
                rx={5}
                fill={fill(verdict)}
                stroke={edge(verdict)}
                strokeWidth={2}
              />
            );
          });
        })}
      </Svg>
    </View>
  );
}

interface EndProps {
  code: string;
  state: EndState | undefined;
  side: Side;
  size: 'medium' | 'large';
  selected: boolean;
  covered: boolean;
  onSelect: ((code: string) => void) | undefined;
}

function EndCard({ code, state, side, size, selected, covered, onSelect }: EndProps) {
  const verdict = state?.verdict ?? 'not-judged';
  const wordOf = useVerdictWord();
  const word = state?.verdict ? wordOf(state.verdict) : 'not measured';
  const lines = state?.lines ?? [];
  const box = selected ? 'border-act bg-raised' : covered ? 'border-shop bg-shop-tint' : 'border-line bg-card';
  const body = (
    <>
      <View className={`items-center gap-1.5 ${side === 'left' ? 'flex-row' : 'flex-row-reverse'}`}>
        <Text bold size="lead">
          {code}
        </Text>
        <VerdictMark verdict={verdict} size={22} />
      </View>
      {lines.map((line) => (
        <Text key={line} size={size === 'large' ? 'body' : 'small'} className={side === 'left' ? '' : 'text-right'}>
          {line}
        </Text>
      ))}
    </>
  );
  const shape = `min-w-0 flex-1 justify-center rounded-xl border-2 px-1.5 py-1 ${box}`;
  if (!onSelect)
    return (
      <View role="img" aria-label={`${code}: ${word}. ${lines.join(', ')}`} className={shape}>
        {body}
      </View>
    );
  return (
    <Pressable
      role="button"
      aria-label={`${code}: ${word}. ${lines.join(', ')}`}
      aria-pressed={selected}
      onPress={() => onSelect(code)}
      className={`${shape} active:opacity-70`}
    >
      {body}
    </Pressable>
  );
}

/**
 * The unit from above, front at the top, drawn from its real layout: any number of axles, singles and duals, a lift
 * axle dashed. The map of the whole program: small to show the place, medium and large to choose and read one.
 */
const NONE: readonly string[] = [];

export const RunningGear = memo(function RunningGear({
  unit,
  ends,
  size,
  selected = null,
  covered = NONE,
  onSelect,
}: Props) {
  const palette = usePalette();
  if (size === 'small') return <SmallGear unit={unit} ends={ends} selected={selected} palette={palette} />;
  return (
    <View className="w-full max-w-xl self-center">
      <View className="flex-row items-end">
        <View className="flex-1" />
        <Nose kind={unit.kind} height={NOSE[size]} palette={palette} />
        <View className="flex-1" />
      </View>
      {unit.axles.map((fitted, index) => {
        const axle = index + 1;
        const card = (side: Side) => {
          const code = positionCode({ axle, side });
          return (
            <EndCard
              code={code}
              side={side}
              size={size}
              state={ends[code]}
              selected={selected === code}
              covered={covered.includes(code)}
              onSelect={onSelect}
            />
          );
        };
        return (
          <View key={`${axle} ${fitted.brake}`} className="flex-row items-stretch" style={{ minHeight: ROW[size] }}>
            <View className="flex-1 py-1">{card('left')}</View>
            <AxleDrawing unit={unit} axle={axle} height={ROW[size]} ends={ends} palette={palette} />
            <View className="flex-1 py-1">{card('right')}</View>
          </View>
        );
      })}
    </View>
  );
});

function SmallGear({
  unit,
  ends,
  selected,
  palette,
}: Pick<Props, 'unit' | 'ends'> & { selected: string | null; palette: Palette }) {
  return (
    <View aria-hidden style={{ width: SHOWN_WIDTH }}>
      <Nose kind={unit.kind} height={NOSE.small} palette={palette} />
      {unit.axles.map((fitted, index) => {
        const axle = index + 1;
        const here = SIDES.find((side) => positionCode({ axle, side }) === selected);
        return (
          <View key={`${axle} ${fitted.brake}`}>
            <AxleDrawing unit={unit} axle={axle} height={ROW.small} ends={ends} palette={palette} />
            {here ? (
              <View
                className="absolute rounded-lg border-4 border-focus"
                style={{ top: 0, bottom: 0, width: 40, ...(here === 'left' ? { left: -3 } : { right: -3 }) }}
              />
            ) : null}
          </View>
        );
      })}
    </View>
  );
}

/** The axle end a position belongs to. */
export const endCode = (position: { axle: number; side: Side }): string => positionCode({ ...position, tyre: null });
