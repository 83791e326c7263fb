import type { MeasuredKind } from '@zealous-axle/core';
import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { usePalette } from '../../look/theme';

/** A small drawing of what to measure, and between which two points. */
export function HowTo({ kind }: { kind: MeasuredKind }) {
  const palette = usePalette();
  const body = { stroke: palette.ink, strokeWidth: 2.5, fill: palette.raised } as const;
  const mark = { stroke: palette.focus, strokeWidth: 3, strokeLinecap: 'round' } as const;
  const drawing = {
    'stroke-applied': (
      <>
        <Path d="M4 10h26q10 12 10 20t-10 20H4Z" {...body} />
        <Rect x={40} y={26} width={50} height={8} {...body} />
        <Path d="M90 18v24M84 18l12 24" stroke={palette.ink} strokeWidth={4} />
        <Line x1={42} x2={74} y1={48} y2={48} {...mark} />
        <Path d="M42 43v10M74 43v10" {...mark} />
      </>
    ),
    lining: (
      <>
        <Path d="M8 52A46 46 0 0 1 92 52" stroke={palette.ink} strokeWidth={5} fill="none" />
        <Path d="M20 54A34 34 0 0 1 80 54" stroke={palette.edge} strokeWidth={10} fill="none" />
        <Line x1={50} x2={50} y1={7} y2={25} {...mark} />
        <Path d="M44 7h12M44 25h12" {...mark} />
      </>
    ),
    tread: (
      <>
        <Path d="M6 56V18h16v18h10V18h16v18h10V18h16v18h10V18h10v38Z" {...body} />
        <Line x1={53} x2={53} y1={18} y2={36} {...mark} />
        <Path d="M47 18h12" {...mark} />
      </>
    ),
    'hub-oil': (
      <>
        <Circle cx={50} cy={32} r={26} {...body} />
        <Path d="M26 38a26 26 0 0 0 48 0Z" fill={palette.shop} />
        <Line x1={30} x2={70} y1={24} y2={24} {...mark} />
        <Line x1={26} x2={74} y1={38} y2={38} {...mark} />
      </>
    ),
  };
  return (
    <Svg width={92} height={58} viewBox="0 0 100 62" aria-hidden>
      {drawing[kind]}
    </Svg>
  );
}
