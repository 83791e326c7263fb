import { type Doubt, formatLength, lengthStyle, type RenewedPart, renewedBy, type StepKind } from '@zealous-axle/core';
import { Button } from '../../parts/Button';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { padOf } from './kinds';

interface Props {
  what: string;
  kind: StepKind;
  doubt: Doubt;
  /** What it read last time; null when it was never read. */
  before: { text: string; on: string } | null;
  now: string;
  onConfirm: () => void;
  onAgain: () => void;
  /** It is another part than was read last time; null where that would not explain it. */
  onRenewed: (() => void) | null;
  onClose: () => void;
}

const RENEWED_WORDS: Record<RenewedPart, string> = {
  lining: 'Relined since then',
  drum: 'Drum replaced since then',
  rotor: 'Rotor replaced since then',
  tyre: 'Tire replaced since then',
  chamber: 'Chamber replaced since then',
  adjuster: 'Adjuster replaced since then',
};

/** Asked once: a reading that moved the wrong way or too far, or is hardly possible. What was entered is kept either way. */
export function Doubted({ what, kind, doubt, before, now, onConfirm, onAgain, onRenewed, onClose }: Props) {
  const by = formatLength(doubt.by, lengthStyle(now));
  const renewed = renewedBy(kind);
  const changed = doubt.way === 'grown' || doubt.way === 'shrunk';
  return (
    <Drawer title={`${what}: ${now}?`} onClose={onClose}>
      {before && changed ? (
        <Text
          bold
        >{`${before.text} on ${before.on}, now ${now}: ${by} ${doubt.way === 'grown' ? 'more' : 'less'}.`}</Text>
      ) : null}
      <Text>{doubt.because ?? padOf(kind).unlikely?.[doubt.way]}</Text>
      <Button tall look="act" label="Yes, it is correct" onPress={onConfirm} />
      {onRenewed && renewed ? (
        <ConfirmButton
          quiet
          label={RENEWED_WORDS[renewed.part]}
          ask="Yes: no earlier reading is of it"
          hint={what}
          onDo={onRenewed}
        />
      ) : null}
      <Button tall label="Measure again" onPress={onAgain} />
      <Text size="small" tone="soft">
        If you measure again, both readings are kept and the second one counts.
      </Text>
    </Drawer>
  );
}
