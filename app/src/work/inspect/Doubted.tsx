import { type Doubt, formatLength, lengthStyle, type StepKind } from '@zealous-axle/core';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { T } from '../../parts/T';

/** Why a change of this kind is unlikely, in a sentence. */
const UNLIKELY: Partial<Record<StepKind, Record<Doubt['way'], string>>> = {
  lining: {
    grown: 'Lining does not grow: was it relined, or is one of the two readings wrong?',
    shrunk: 'That is a lot of lining since then: look again at the thinnest point.',
  },
  tread: {
    grown: 'Tread does not grow: another tyre, or is one of the two readings wrong?',
    shrunk: 'That is a lot of tread since then: is the gauge on a wear bar?',
  },
  'stroke-applied': {
    grown: 'That is much longer than last time: full application, at the chamber face?',
    shrunk: 'That is much shorter than last time: were the spring brakes released, and was it a full application?',
  },
};

interface Props {
  what: string;
  kind: StepKind;
  doubt: Doubt;
  before: { text: string; on: string };
  now: string;
  onConfirm: () => void;
  onAgain: () => void;
  onClose: () => void;
}

/** Asked once: a reading that moved the wrong way, or too far. Whatever the answer, what was entered is kept. */
export function Doubted({ what, kind, doubt, before, now, onConfirm, onAgain, onClose }: Props) {
  const by = formatLength(doubt.by, lengthStyle(now));
  return (
    <Sheet title={`${what}: ${now}?`} onClose={onClose}>
      <T bold>{`${before.text} on ${before.on}, now ${now}: ${by} ${doubt.way === 'grown' ? 'more' : 'less'}.`}</T>
      <T>{UNLIKELY[kind]?.[doubt.way]}</T>
      <Button tall look="act" label="It is right" onPress={onConfirm} />
      <Button tall label="Measure again" onPress={onAgain} />
      <T size="small" tone="soft">
        Measured again, both readings are kept: the second takes the place of the first.
      </T>
    </Sheet>
  );
}
