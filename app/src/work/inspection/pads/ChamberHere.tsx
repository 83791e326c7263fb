import { type Chamber, chamberWords, type Draft, type Step, wheelEnd, withChamber } from '@zealous-axle/core';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { send } from '../../../device/outbox';
import { Button } from '../../../parts/Button';
import { ChamberChooser } from '../../../parts/ChamberChooser';
import { Choice } from '../../../parts/Choice';
import { Drawer } from '../../../parts/Drawer';
import { Text } from '../../../parts/Text';
import { useMaySend } from '../../../session/may';

interface Props {
  draft: Draft;
  step: Step;
  update: (change: (draft: Draft) => Draft) => void;
}

const ENDS = [
  { value: 'both', label: 'Both ends' },
  { value: 'one', label: 'This end only' },
] as const;

/** Puts the chamber right as it is read on the clamp: what it decides is judged again. */
function Correct({ draft, step, update, fitted, onClose }: Props & { fitted: Chamber | null; onClose: () => void }) {
  const [chamber, setChamber] = useState(fitted);
  const [ends, setEnds] = useState<'both' | 'one'>('both');
  const { axle } = step;
  const save = () => {
    if (!axle || !chamber) return;
    const side = ends === 'one' ? step.side : null;
    onClose();
    void send(
      'set-chamber',
      { unit: draft.unit.id, axle, side, chamber },
      `${draft.unit.number}: axle ${axle}, ${chamberWords(chamber)}`,
    );
    update((now) => ({ ...now, unit: { ...now.unit, axles: withChamber(now.unit.axles, axle, side, chamber) } }));
  };
  return (
    <Drawer title={`The chamber at axle ${axle}`} onClose={onClose}>
      <ChamberChooser value={chamber} onChange={setChamber} />
      <Choice label="Where" options={ENDS} value={ends} onChange={setEnds} />
      <Button tall look="act" label="It is this chamber" disabled={!chamber} onPress={save} />
    </Drawer>
  );
}

/** As it stands on the pad, where there is little room: `Chamber 30 long`. */
const shortly = (chamber: Chamber | null): string =>
  chamber
    ? `Chamber ${chamber.size}${chamber.stroke && chamber.stroke !== 'standard' ? ' long' : ''}`
    : 'Chamber not known';

/** The chamber whose limit decides here; a wrong one is put right on the spot. */
export function ChamberHere(props: Props) {
  const [open, setOpen] = useState(false);
  const may = useMaySend('set-chamber');
  const { draft, step } = props;
  const end = step.axle && step.side ? wheelEnd(draft.unit, step.axle, step.side) : null;
  if (!end) return null;
  const words = end.chamber ? chamberWords(end.chamber) : 'Chamber not known';
  return (
    <>
      <Pressable
        role="button"
        aria-label={`${words}. Put it right`}
        disabled={!may}
        onPress={() => setOpen(true)}
        className="min-h-11 min-w-0 shrink justify-center"
      >
        <Text bold tone={may ? 'act' : 'ink'}>
          {shortly(end.chamber ?? null)}
        </Text>
      </Pressable>
      {open ? <Correct {...props} fitted={end.chamber ?? null} onClose={() => setOpen(false)} /> : null}
    </>
  );
}
