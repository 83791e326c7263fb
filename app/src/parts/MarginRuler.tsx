import { type Limit, limitNm, NM_PER_INCH, type Verdict } from '@zealous-axle/core';
import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { usePalette } from '../look/theme';
import { VERDICT_LOOK } from './verdict';

const WIDTH = 320;
const HEIGHT = 54;
const BASE = 34;
/** How much of the scale lies below the limit. */
const LIMIT_AT = 0.62;

interface Props {
  limit: Pick<Limit, 'is' | 'value'>;
  /** The reading in nanometres; null draws the scale alone. */
  nm: number | null;
  verdict: Verdict;
}

/** The margin drawn as a ruler: where the reading stands, where the limit is, and which side is past it. */
export function MarginRuler({ limit, nm, verdict }: Props) {
  const palette = usePalette();
  const at = limitNm(limit);
  const full = Math.max(at / LIMIT_AT, (nm ?? 0) * 1.08, NM_PER_INCH / 4);
  const x = (value: number) => 6 + (value / full) * (WIDTH - 12);
  const ink = palette[VERDICT_LOOK[verdict].tone];
  const step = [1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1]
    .map((part) => part * NM_PER_INCH)
    .find((part) => full / part <= 26);
  const ticks = step ? Array.from({ length: Math.floor(full / step) + 1 }, (_, index) => index * step) : [];
  const upward = limit.is === 'at-most' || limit.is === 'less-than';
  const past = upward ? [x(at), WIDTH - 6] : [6, x(at)];
  return (
    <View aria-hidden className="w-full">
      <Svg width="100%" height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="xMinYMid meet">
        <Rect
          x={past[0]}
          y={BASE - 14}
          width={(past[1] ?? 0) - (past[0] ?? 0)}
          height={14}
          fill={palette['violation-tint']}
        />
        {ticks.map((tick, index) => (
          <Line
            key={tick}
            x1={x(tick)}
            x2={x(tick)}
            y1={BASE}
            y2={BASE - (index % 4 === 0 ? 12 : 7)}
            stroke={palette.edge}
            strokeWidth={1.2}
          />
        ))}
        <Line x1={6} x2={WIDTH - 6} y1={BASE} y2={BASE} stroke={palette.ink} strokeWidth={2} />
        <Line x1={x(at)} x2={x(at)} y1={BASE - 20} y2={BASE + 4} stroke={palette.ink} strokeWidth={3} />
        <SvgText
          x={x(at)}
          y={BASE + 17}
          fontSize={13}
          fontFamily="Hyperlegible Mono"
          fill={palette.ink}
          textAnchor="middle"
        >
          {limit.value}
        </SvgText>
        {nm === null ? null : (
          <Path d={`M${x(nm)} ${BASE - 2} l-8 -16 h16 Z`} fill={ink} stroke={palette.card} strokeWidth={1.5} />
        )}
      </Svg>
    </View>
  );
}
