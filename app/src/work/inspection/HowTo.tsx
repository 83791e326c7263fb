import type { StepKind } from '@zealous-axle/core';
import Svg from 'react-native-svg';
import { usePalette } from '../../look/theme';
import { padOf } from './kinds';

/** A small drawing of what to measure, and between which two points; nothing where a kind has none. */
export function HowTo({ kind }: { kind: StepKind }) {
  const drawing = padOf(kind).drawing?.(usePalette());
  return drawing ? (
    <Svg width={92} height={58} viewBox="0 0 100 62" aria-hidden>
      {drawing}
    </Svg>
  ) : null;
}
