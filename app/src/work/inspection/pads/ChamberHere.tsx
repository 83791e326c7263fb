import { type Chamber, chamberWords, type Side, wheelEnd } from '@zealous-axle/core';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { BecauseForm } from '../../../parts/BecauseForm';
import { ChamberChooser } from '../../../parts/ChamberChooser';
import { Choice } from '../../../parts/Choice';
import { Drawer } from '../../../parts/Drawer';
import { Text } from '../../../parts/Text';
import type { PadProps } from '../kinds/kind';

const ENDS = [
  { value: 'one', label: 'This end' },
  { value: 'both', label: 'Both ends, read on both' },
] as const;
const SEEN_BY = ['ring-figure', 'tag', 'papers'] as const;
const SIDES: readonly Side[] = ['left', 'right'];

interface CorrectProps {
  at: { axle: number; side: Side };
  fitted: Chamber | null;
  onCorrect: NonNullable<PadProps['correct']>;
  onClose: () => void;
}

/** Puts the chamber right as it is read on the clamp: what it decides is judged again. */
function Correct({ at, fitted, onCorrect, onClose }: CorrectProps) {
  const [chamber, setChamber] = useState(fitted);
  const [ends, setEnds] = useState<'both' | 'one'>('one');
  const { axle, side } = at;
  const same = JSON.stringify(chamber) === JSON.stringify(fitted);
  return (
    <Drawer title={`The chamber at ${axle}${side === 'left' ? 'L' : 'R'}`} onClose={onClose}>
      <ChamberChooser value={chamber} onChange={setChamber} />
      <Choice label="Where" options={ENDS} value={ends} onChange={setEnds} />
      {chamber && !same ? (
        <BecauseForm
          seenBy={SEEN_BY}
          act="Save chamber"
          onBecause={(because, pictures) => {
            const sides = ends === 'one' ? [side] : SIDES;
            onCorrect({ ends: sides.map((each) => ({ axle, side: each })), facts: { chamber }, because, pictures });
            onClose();
          }}
        />
      ) : null}
    </Drawer>
  );
}

/** As it stands on the pad, where there is little room: `Chamber 30 long`. */
const shortly = (chamber: Chamber | null): string =>
  chamber
    ? `Chamber ${chamber.size}${chamber.stroke && chamber.stroke !== 'standard' ? ' long' : ''}`
    : 'Chamber not known';

/** The chamber whose limit decides here; a wrong one is put right on the spot, with the reason. */
export function ChamberHere({ draft, step: { axle, side }, correct }: Pick<PadProps, 'draft' | 'step' | 'correct'>) {
  const [open, setOpen] = useState(false);
  const end = axle && side ? wheelEnd(draft.unit, axle, side) : null;
  if (!end) return null;
  const chamber = end.chamber ?? null;
  const words = chamber ? chamberWords(chamber) : 'Chamber not known';
  return (
    <>
      <Pressable
        role="button"
        aria-label={`${words}. Correct it`}
        disabled={!correct}
        onPress={() => setOpen(true)}
        className="min-h-11 min-w-0 shrink justify-center"
      >
        <Text bold tone={correct ? 'act' : 'ink'}>
          {shortly(chamber)}
        </Text>
      </Pressable>
      {open && correct ? (
        <Correct at={end} fitted={chamber} onCorrect={correct} onClose={() => setOpen(false)} />
      ) : null}
    </>
  );
}
