import { View } from 'react-native';
import { Stepper } from '../../../parts/Stepper';
import { VerdictBadge } from '../../../parts/VerdictMark';
import type { PadProps } from '../kinds/kind';

/** Pins of most sliding axles. */
export const USUAL_PINS = 4;
const MOST_PINS = 12;

/** Pins of a sliding axle: how many there are, and how many are fully through. */
export function SliderPad({ entry, judged, note: change }: PadProps) {
  const pins = entry.note.pins ?? USUAL_PINS;
  const seated = entry.note.seated ?? null;
  return (
    <View className="gap-3">
      <Stepper
        label="Pins"
        value={pins}
        least={1}
        most={MOST_PINS}
        onChange={(next) => change({ pins: next, seated: seated === null ? undefined : Math.min(seated, next) })}
      />
      <Stepper
        label="Fully seated"
        value={seated}
        least={0}
        most={pins}
        onChange={(next) => change({ pins, seated: next })}
      />
      {judged.opinion ? <VerdictBadge verdict={judged.opinion.verdict} /> : null}
    </View>
  );
}
