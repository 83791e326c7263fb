import { type Limit, limitNm, NM_PER_INCH, type Verdict } from '@zealous-axle/core';
import { memo, useRef } from 'react';
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
  /** Where it may be too small and too large: the limit of the other side. */
  otherSide?: Pick<Limit, 'is' | 'value'> | null;
  /** The limit in the units of whoever reads it. */
  words?: string;
  /** The reading in nanometres; null draws the scale alone. */
  nm: number | null;
  verdict: Verdict;
}

interface Scale {
  otherSide: NonNullable<Props['otherSide']> | null;
  limit: Props['limit'];
  /** The limit in the person's units. */
  words: string;
  /** The scale's full length in nanometres. */
  full: number;
}

const place = (value: number, full: number): number => 6 + (value / full) * (WIDTH - 12);

/** The scale with its limit: drawn again only when one of them changes. */
const ScaleDrawing = memo(function ScaleDrawing({ limit, otherSide, words, full }: Scale) {
  const palette = usePalette();
  const at = place(limitNm(limit), full);
  const step = [1 / 1000, 1 / 32, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1]
    .map((part) => part * NM_PER_INCH)
    .find((part) => full / part <= 26);
  const ticks = step ? Array.from({ length: Math.floor(full / step) + 1 }, (_, index) => index * step) : [];
  const past = [limit, ...(otherSide ? [otherSide] : [])].map((each) => {
    const edge = place(limitNm(each), full);
    const upward = each.is === 'at-most' || each.is === 'less-than';
    return { edge, from: upward ? edge : 6, to: upward ? WIDTH - 6 : edge };
  });
  const tall = (index: number) => (index % 4 === 0 ? 12 : 7);
  return (
    <>
      {past.map(({ from, to }) => (
        <Rect key={from} x={from} y={BASE - 14} width={to - from} height={14} fill={palette['violation-tint']} />
      ))}
      <Path
        d={ticks.map((tick, index) => `M${place(tick, full)} ${BASE}v-${tall(index)}`).join('')}
        stroke={palette.edge}
        strokeWidth={1.2}
      />
      <Line x1={6} x2={WIDTH - 6} y1={BASE} y2={BASE} stroke={palette.ink} strokeWidth={2} />
      {past.map(({ edge }) => (
        <Line key={edge} x1={edge} x2={edge} y1={BASE - 20} y2={BASE + 4} stroke={palette.ink} strokeWidth={3} />
      ))}
      <SvgText x={at} y={BASE + 17} fontSize={13} fontFamily="Hyperlegible Mono" fill={palette.ink} textAnchor="middle">
        {words}
      </SvgText>
    </>
  );
});

/** The margin drawn as a ruler: where the reading stands, where the limit is, and which side is past it. */
export function MarginRuler({ limit, otherSide = null, words = limit.value, nm, verdict }: Props) {
  const palette = usePalette();
  const largest = Math.max(limitNm(limit), otherSide ? limitNm(otherSide) : 0);
  // Thousandths have a scale of their own; everything else has a quarter inch at least.
  const least = Math.max(largest / LIMIT_AT, largest > NM_PER_INCH / 32 ? NM_PER_INCH / 4 : 0);
  const scale = useRef(least);
  // A reading taken back leaves the scale as it is: there is nothing to make room for.
  if (nm !== null) scale.current = Math.max(least, nm * 1.08);
  const full = Math.max(least, scale.current);
  const ink = palette[VERDICT_LOOK[verdict].tone];
  return (
    <View aria-hidden className="w-full">
      <Svg width="100%" height={HEIGHT} viewBox={`0 0 ${WIDTH} ${HEIGHT}`} preserveAspectRatio="xMinYMid meet">
        <ScaleDrawing limit={limit} otherSide={otherSide} words={words} full={full} />
        <Path
          d={nm === null ? '' : `M${place(nm, full)} ${BASE - 2} l-8 -16 h16 Z`}
          fill={ink}
          stroke={palette.card}
          strokeWidth={1.5}
        />
      </Svg>
    </View>
  );
}
