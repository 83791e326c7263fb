import type { Verdict } from '@zealous-axle/core';
import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle, Path, Rect } from 'react-native-svg';
import { usePalette } from '../look/theme';
import { Text } from './Text';
import { useVerdictWord, VERDICT_LOOK } from './verdict';

/** The shape of a verdict. Each differs in outline, so that none depends on its colour. */
export const VerdictMark = memo(function VerdictMark({ verdict, size = 22 }: { verdict: Verdict; size?: number }) {
  const palette = usePalette();
  const ink = palette[VERDICT_LOOK[verdict].tone];
  const paper = palette.card;
  const shapes = {
    // A wheel chocked on both sides: it does not roll.
    'out-of-service': (
      <>
        <Rect x={1} y={1} width={22} height={22} rx={4} fill={ink} />
        <Path d="M6 12h12" stroke={paper} strokeWidth={4} strokeLinecap="round" />
      </>
    ),
    violation: (
      <>
        <Path d="M12 1.5 23 21.5H1Z" fill={ink} strokeLinejoin="round" />
        <Path d="M12 8.5v6" stroke={paper} strokeWidth={3} strokeLinecap="round" />
        <Circle cx={12} cy={18} r={1.7} fill={paper} />
      </>
    ),
    'shop-limit': (
      <>
        <Circle cx={12} cy={12} r={9.5} stroke={ink} strokeWidth={3} fill="none" />
        <Path d="M12 2.5a9.5 9.5 0 0 1 0 19Z" fill={ink} />
      </>
    ),
    within: (
      <>
        <Circle cx={12} cy={12} r={9.5} stroke={ink} strokeWidth={3} fill="none" />
        <Path d="m7.5 12.2 3.2 3.2 5.8-6.4" stroke={ink} strokeWidth={3} fill="none" strokeLinecap="round" />
      </>
    ),
    'not-judged': (
      <>
        <Circle cx={12} cy={12} r={9.5} stroke={ink} strokeWidth={2.6} strokeDasharray="3.6 3.9" fill="none" />
      </>
    ),
  };
  return (
    <Svg width={size} height={size} viewBox="0 0 24 24" aria-hidden>
      {shapes[verdict]}
    </Svg>
  );
});

/** A verdict as word, shape and colour. */
export const VerdictBadge = memo(function VerdictBadge({
  verdict,
  word,
  large,
}: {
  verdict: Verdict;
  word?: string;
  large?: boolean;
}) {
  const look = VERDICT_LOOK[verdict];
  const own = useVerdictWord()(verdict);
  return (
    <View
      className={`flex-row items-center gap-2 self-start rounded-lg border-2 px-2.5 ${large ? 'py-2' : 'py-1'} ${look.box}`}
    >
      <VerdictMark verdict={verdict} size={large ? 28 : 20} />
      <Text bold size={large ? 'lead' : 'small'} tone={look.tone}>
        {word ?? own}
      </Text>
    </View>
  );
});
