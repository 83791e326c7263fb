import { starOrder } from '@zealous-axle/core';
import { Circle, G, Svg, Text as SvgText } from 'react-native-svg';
import { usePalette } from '../../../look/theme';

const SIZE = 200;
const RING = 70;
const NUT = 17;

/** A bolt circle with the order its nuts are drawn up in: each across from the one before. */
export function BoltCircle({ holes }: { holes: number }) {
  const palette = usePalette();
  const order = starOrder(holes);
  return (
    <Svg
      width={SIZE}
      height={SIZE}
      viewBox={`0 0 ${SIZE} ${SIZE}`}
      role="img"
      aria-label={`${holes} nuts in a star pattern: ${order.join(', ')}`}
      style={{ alignSelf: 'center' }}
    >
      <Circle
        cx={SIZE / 2}
        cy={SIZE / 2}
        r={RING + NUT + 8}
        fill={palette.raised}
        stroke={palette.edge}
        strokeWidth={2}
      />
      <Circle cx={SIZE / 2} cy={SIZE / 2} r={30} fill={palette.card} stroke={palette.edge} strokeWidth={2} />
      {order.map((hole, turn) => {
        const angle = ((hole - 1) / holes) * 2 * Math.PI - Math.PI / 2;
        const [x, y] = [SIZE / 2 + RING * Math.cos(angle), SIZE / 2 + RING * Math.sin(angle)];
        return (
          <G key={hole}>
            <Circle cx={x} cy={y} r={NUT} fill={palette.card} stroke={palette.ink} strokeWidth={2} />
            <SvgText x={x} y={y + 6} fontSize={17} fontWeight="bold" fill={palette.ink} textAnchor="middle">
              {turn + 1}
            </SvgText>
          </G>
        );
      })}
    </Svg>
  );
}
