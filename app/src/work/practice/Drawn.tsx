import type { Drawing, Look, Shape } from '@zealous-axle/core/practice';
import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text as SvgText } from 'react-native-svg';
import { type Theme, useTheme } from '../../look/theme';

/** What each part of a drawing is made of, by day and by night. */
const LOOKS: Record<Theme, Record<Look, string>> = {
  light: {
    none: 'none',
    paper: '#ffffff',
    ink: '#1b2420',
    soft: '#4f5a54',
    edge: '#8d8878',
    metal: '#b9bfc0',
    shiny: '#e9eef0',
    rubber: '#2f3331',
    lining: '#8a6a4a',
    rust: '#a4491d',
    oil: '#c28a16',
    'dark-oil': '#4d3413',
    milky: '#e6dcc2',
    dirt: '#6b5f49',
    blue: '#4a6fa8',
    red: '#c41f3a',
    amber: '#e08a00',
    white: '#f6f3e8',
    pointer: '#b4131f',
    night: '#0d1210',
  },
  dark: {
    none: 'none',
    paper: '#dfe3dc',
    ink: '#111714',
    soft: '#48544d',
    edge: '#7c8179',
    metal: '#9aa3a3',
    shiny: '#dbe2e4',
    rubber: '#1b1f1d',
    lining: '#8a6a4a',
    rust: '#b3531f',
    oil: '#c28a16',
    'dark-oil': '#4d3413',
    milky: '#d9cfb4',
    dirt: '#6b5f49',
    blue: '#4a6fa8',
    red: '#d3314c',
    amber: '#e89a1a',
    white: '#efece0',
    pointer: '#b4131f',
    night: '#050807',
  },
};

type Of<Kind extends Shape['shape']> = { shape: Extract<Shape, { shape: Kind }>; looks: Record<Look, string> };

const Stroke = ({ shape, looks }: Of<'line'>) => (
  <Line
    x1={shape.x1}
    y1={shape.y1}
    x2={shape.x2}
    y2={shape.y2}
    stroke={looks[shape.stroke]}
    strokeWidth={shape.width}
    strokeLinecap="round"
    opacity={shape.opacity}
  />
);

const Box = ({ shape, looks }: Of<'rect'>) => (
  <Rect
    x={shape.x}
    y={shape.y}
    width={shape.w}
    height={shape.h}
    rx={shape.r}
    fill={looks[shape.fill]}
    stroke={looks[shape.stroke]}
    strokeWidth={shape.width}
    opacity={shape.opacity}
  />
);

const Round = ({ shape, looks }: Of<'circle'>) => (
  <Circle
    cx={shape.x}
    cy={shape.y}
    r={shape.r}
    fill={looks[shape.fill]}
    stroke={looks[shape.stroke]}
    strokeWidth={shape.width}
    opacity={shape.opacity}
  />
);

const Outline = ({ shape, looks }: Of<'path'>) => (
  <Path
    d={shape.d}
    fill={looks[shape.fill]}
    stroke={looks[shape.stroke]}
    strokeWidth={shape.width}
    strokeLinejoin="round"
    strokeLinecap="round"
    opacity={shape.opacity}
  />
);

const Words = ({ shape, looks }: Of<'text'>) => (
  <SvgText
    x={shape.x}
    y={shape.y}
    fontSize={shape.size}
    textAnchor={shape.anchor}
    fill={looks[shape.fill]}
    fontFamily="inherit"
    fontWeight="600"
  >
    {shape.text}
  </SvgText>
);

function Part({ shape, looks }: { shape: Shape; looks: Record<Look, string> }) {
  switch (shape.shape) {
    case 'line':
      return <Stroke shape={shape} looks={looks} />;
    case 'rect':
      return <Box shape={shape} looks={looks} />;
    case 'circle':
      return <Round shape={shape} looks={looks} />;
    case 'path':
      return <Outline shape={shape} looks={looks} />;
    case 'text':
      return <Words shape={shape} looks={looks} />;
  }
}

/** A station as it is seen: drawn to scale, and the same in words for whoever does not see it. */
export const Drawn = memo(function Drawn({ drawing, still }: { drawing: Drawing; still?: boolean }) {
  const looks = LOOKS[useTheme().theme];
  return (
    <View
      role="img"
      aria-label={drawing.words}
      aria-live={still ? undefined : 'polite'}
      className="w-full max-w-[560px] self-center overflow-hidden rounded-2xl border-2 border-edge"
    >
      <Svg
        width="100%"
        viewBox={`0 0 ${drawing.width} ${drawing.height}`}
        style={{ aspectRatio: drawing.width / drawing.height, backgroundColor: looks.shiny }}
        aria-hidden
      >
        {drawing.shapes.map((shape, nth) => (
          <Part key={nth} shape={shape} looks={looks} />
        ))}
      </Svg>
    </View>
  );
});
