import { type Doubt, formatLength, lengthStyle, type StepKind } from '@zealous-axle/core';
import { Button } from '../../parts/Button';
import { Sheet } from '../../parts/Sheet';
import { T } from '../../parts/T';

/** Why a reading of this kind is unlikely, in a sentence. */
const UNLIKELY: Partial<Record<StepKind, Partial<Record<Doubt['way'], string>>>> = {
  lining: {
    grown: 'Lining does not grow: was it relined, or is one of the two readings wrong?',
    shrunk: 'That is a lot of lining since then: look again at the thinnest point.',
    'too-much': 'That is thicker than linings are: was a key missed?',
  },
  tread: {
    grown: 'Tread does not grow: another tyre, or is one of the two readings wrong?',
    shrunk: 'That is a lot of tread since then: is the gauge on a wear bar?',
    'too-much': 'That is deeper than treads are: was a key missed?',
  },
  'stroke-applied': {
    grown: 'That is much longer than last time: full application, at the chamber face?',
    shrunk: 'That is much shorter than last time: were the spring brakes released, and was it a full application?',
    'too-much': 'That is longer than pushrods travel: was a key missed?',
    'too-little': 'That is hardly any travel: were the spring brakes released, and was it a full application?',
  },
};

interface Props {
  what: string;
  kind: StepKind;
  doubt: Doubt;
  /** What it read last time; null when it was never read. */
  before: { text: string; on: string } | null;
  now: string;
  onConfirm: () => void;
  onAgain: () => void;
  onClose: () => void;
}

/** Asked once: a reading that moved the wrong way or too far, or is hardly possible. What was entered is kept either way. */
export function Doubted({ what, kind, doubt, before, now, onConfirm, onAgain, onClose }: Props) {
  const by = formatLength(doubt.by, lengthStyle(now));
  const changed = doubt.way === 'grown' || doubt.way === 'shrunk';
  return (
    <Sheet title={`${what}: ${now}?`} onClose={onClose}>
      {before && changed ? (
        <T bold>{`${before.text} on ${before.on}, now ${now}: ${by} ${doubt.way === 'grown' ? 'more' : 'less'}.`}</T>
      ) : null}
      <T>{UNLIKELY[kind]?.[doubt.way]}</T>
      <Button tall look="act" label="It is right" onPress={onConfirm} />
      <Button tall label="Measure again" onPress={onAgain} />
      <T size="small" tone="soft">
        Measured again, both readings are kept: the second takes the place of the first.
      </T>
    </Sheet>
  );
}
