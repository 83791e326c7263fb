import {
  dayIn,
  foundSince,
  isOpenDefect,
  positionCode,
  retorqueLapsed,
  signedWords,
  type UnitPage,
} from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { clock, dueWords } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { beside, useHereAll } from '../../session/here';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { useOutOfUse } from '../../session/standing';

/** What must be known before a unit is used, whatever its readings say: papers that are over, wheels to be torqued, an open inspection. */
function useBeforeUse(unit: UnitPage): string[] {
  const { fleet } = useSession();
  const today = dayIn(fleet.zone, new Date());
  const over = unit.papers.filter(({ on }) => on < today);
  const late = unit.retorques.filter((each) => retorqueLapsed(each, today, unit.meter?.value ?? null));
  return [
    ...over.map(({ paper, on }) => `${paper}: ${dueWords(today, on)}.`),
    ...late.map(
      ({ wheels }) =>
        `Wheels with re-torque overdue: ${wheels.map((each) => positionCode({ ...each, tyre: null })).join(', ')}.`,
    ),
    ...unit.inspecting
      .filter(({ read }) => read > 0)
      .map(({ by, startedAt }) => `An inspection is still open: ${by}, since ${clock(startedAt, fleet.zone)}.`),
  ];
}

export function BeforeUse({ unit }: { unit: UnitPage }) {
  return useBeforeUse(unit).map((said) => (
    <Notice key={said} look="ask">
      {said}
    </Notice>
  ));
}

/** The same just above the signature, with the unit it is of: nobody signs past it. */
export function BeforeSigning({ unit }: { unit: UnitPage }) {
  const said = useBeforeUse(unit);
  return said.length ? <Notice look="ask">{`${unit.number}: ${said.join(' ')}`}</Notice> : null;
}

/** Who signed last, and what of: a signature from before what was found says nothing of it. */
export function LastSigned({ unit }: { unit: UnitPage }) {
  const { fleet } = useSession();
  const { signed } = unit;
  if (!signed) return null;
  const open = unit.defects.filter(({ state }) => isOpenDefect(state));
  const since = foundSince(signed, { defects: open, holds: unit.holds }) ? ' Before later findings.' : '';
  return <Text tone="soft">{`${signedWords(signed)}: ${signed.by}, ${clock(signed.at, fleet.zone)}.${since}`}</Text>;
}

/** Of these units those that cannot be signed as found good: held, or out of service as they stand, as far as this device knows. */
function useOutOfUseOf(units: readonly UnitPage[]): UnitPage[] {
  const here = useHereAll();
  const outOfService = useOutOfUse(units);
  return units.filter((unit) => {
    const own = here.get(unit.id);
    return unit.holds.length > 0 || outOfService.has(unit.id) || (own && beside(own, unit).holds);
  });
}

/** Whether a signature of this kind waits here already. */
function useSignedHere(ids: readonly string[], name: 'report-nothing' | 'see-held'): boolean {
  const { entries } = useOutbox();
  return ids.every((id) =>
    entries.some((entry) => entry.name === name && !entry.refused && (entry.body as { unit?: string }).unit === id),
  );
}

interface Props {
  units: readonly UnitPage[];
  ids: readonly string[];
  /** Asks once more, where a tap comes easily by mistake. */
  asks?: boolean;
}

/**
 * Signs a walk round: that nothing was found, or what is true of a unit that is held. `ids` are all that run together, of which
 * `units` could be read; only all of them are signed.
 */
export function SignWalk({ units, ids, asks }: Props) {
  const { person } = useSession();
  const may = useMaySend('report-nothing');
  const stopped = useOutOfUseOf(units);
  const name = stopped.length ? 'see-held' : 'report-nothing';
  const signing = stopped.length ? stopped : units;
  const [sent, setSent] = useState<string | null>(null);
  const [asking, setAsking] = useState(false);
  const waits = useSignedHere(
    signing.map(({ id }) => id),
    name,
  );
  if (!may || person.role !== 'driver' || units.length < ids.length) return null;
  const numbers = signing.map(({ number }) => number).join(', ');
  const open = units.some(({ defects }) => defects.some(({ state }) => isOpenDefect(state)));
  const done = sent === `${name} ${numbers}` || waits;
  const words = stopped.length
    ? `I saw ${numbers} ${signing.length === 1 ? 'is' : 'are'} on hold: not driving ${signing.length === 1 ? 'it' : 'them'}`
    : `Sign: nothing ${open ? 'more ' : ''}found on ${numbers}`;
  const sign = () => {
    if (done) return;
    if (asks && !asking) return setAsking(true);
    setAsking(false);
    setSent(`${name} ${numbers}`);
    for (const unit of signing)
      void send(
        name,
        { report: uuidv7(), unit: unit.id },
        `${unit.number}: ${stopped.length ? 'saw that it is on hold' : 'walked around, no defects found'}`,
      );
  };
  const first = asks && !asking && !stopped.length ? 'Nothing found' : words;
  return (
    <Button
      tall
      look={stopped.length ? 'stop' : first === words ? 'act' : undefined}
      label={done ? 'Signed' : first}
      disabled={done}
      onPress={sign}
    />
  );
}
