import {
  chockedBy,
  type Draft,
  type EarlierReading,
  earlierReadings,
  type GaugeSource,
  gaugeWords,
  type Judgement,
  judgeDraft,
  keptFinding,
  type Photo,
  type Reading,
  readingKey,
  type SectionTime,
  type StandingThere,
  saidChocked,
  skippedSteps,
  takenReadings,
  type Unit,
  type UnitChange,
  type UnitKind,
  unreadSteps,
} from '@zealous-axle/core';
import { useEffect, useState } from 'react';
import { findDraft } from '../../../device/drafts';
import type { PlacedReading } from '../../../parts/ends';
import { useSheet, useUnit } from '../../../server/queries';
import { placedOf } from './placed';

export interface Judged {
  unit: Unit & { number: string; body: string; kind: UnitKind };
  judgement: Judgement;
  readings: PlacedReading[];
  /** Everything that was read and stands, as typed. */
  taken: Reading[];
  /** What the same places read before. */
  before: readonly EarlierReading[];
  photos: readonly Photo[];
  /** What was passed over, and why. */
  skips: readonly { key: string; reason: string }[];
  /** Seconds spent in each section of its route. */
  sections: readonly SectionTime[];
  /** The job whose places it measured again. */
  job: string | null;
  /** Steps that have no reading yet; empty once the inspection is closed. */
  open: number;
  closed: { at: string; outcome: 'complete' | 'incomplete'; because: string | null; by: string } | null;
  /** What devices said of the time, where their clocks were off by minutes; and what we make of it. */
  clocks: readonly { key: string; at: string; said: string }[];
  /** What a gauge sent, and which. */
  gauges: readonly { key: string; words: string }[];
  /** Facts of the unit that were changed since it began. */
  unitChanges: readonly UnitChange[];
  /** Who first said that the wheels are chocked, and when: `here` while it stands on this device alone; null for nobody. */
  chocked: { by: string; at: string } | 'here' | null;
  /** A later inspection of the unit is known: this one says nothing of how it stands today. */
  stale: boolean;
  /** The inspection as it stands on this device, while it is not closed. */
  draft: Draft | null;
}

const gaugeOf = (read: { value: Reading; gauge?: GaugeSource | null } | null): Judged['gauges'] =>
  read?.gauge ? [{ key: readingKey(read.value), words: gaugeWords(read.gauge) }] : [];

function fromDraft(draft: Draft, known: StandingThere | undefined): Judged {
  const answer = judgeDraft(draft, known);
  const [own] = answer.units;
  if (!own) throw new Error('a unit without judgment');
  const judgement = {
    book: answer.book,
    verdict: own.verdict,
    complete: own.complete,
    brakes: own.brakes,
    findings: answer.findings,
  };
  return {
    unit: draft.unit,
    judgement,
    readings: placedOf(takenReadings(draft), judgement.findings),
    taken: takenReadings(draft),
    before: earlierReadings(draft),
    photos: [],
    skips: skippedSteps(draft),
    sections: [],
    job: draft.job,
    open: unreadSteps(draft).length,
    closed: null,
    clocks: [],
    unitChanges: [],
    gauges: Object.values(draft.entries).flatMap(({ saved }) => gaugeOf(saved)),
    stale: false,
    chocked: takenReadings(draft).some(saidChocked) ? 'here' : null,
    draft,
  };
}

/** Closed, and not judged. */
const TOO_OLD = 'This inspection reached the server too late. It is kept as recorded and has no verdict.';

/** The sheet of an inspection: from the server once it is closed and judged there, until then from this device. */
export function useJudged(id: string): { judged: Judged | null; waiting: boolean; problem: Error | null } {
  const query = useSheet(id);
  const [draft, setDraft] = useState<Draft | null>();
  useEffect(() => {
    let here = true;
    void findDraft(id).then((found) => here && setDraft(found));
    return () => {
      here = false;
    };
  }, [id]);
  const sheet = query.data;
  const unit = useUnit(draft?.unit.id ?? sheet?.unit.id ?? '');
  if (sheet?.judgement && sheet.closedAt && sheet.outcome) {
    const live = sheet.readings.filter(({ supersededBy }) => supersededBy === null).map(({ value }) => value);
    return {
      judged: {
        unit: sheet.unit,
        // A sheet that this device kept from before has words alone.
        judgement: { ...sheet.judgement, findings: sheet.judgement.findings.map(keptFinding) },
        readings: placedOf(live, sheet.judgement.findings),
        taken: live,
        before: sheet.before,
        photos: sheet.photos,
        skips: sheet.skips,
        sections: sheet.sections ?? [],
        job: sheet.job,
        open: 0,
        closed: { at: sheet.closedAt, outcome: sheet.outcome, because: sheet.because, by: sheet.by },
        clocks: sheet.readings.flatMap(({ value, at, said }) => (said ? { key: readingKey(value), at, said } : [])),
        unitChanges: sheet.unitChanges,
        chocked: chockedBy(sheet.readings),
        gauges: sheet.readings.filter(({ supersededBy }) => supersededBy === null).flatMap(gaugeOf),
        stale:
          unit.data?.inspections.some(({ id: other, startedAt }) => other !== id && startedAt > sheet.startedAt) ??
          false,
        draft: null,
      },
      waiting: false,
      problem: null,
    };
  }
  if (typeof sheet?.dropped === 'string')
    return {
      judged: null,
      waiting: false,
      problem: new Error(
        sheet.dropped ? `Discarded: ${sheet.dropped}. Its readings stay on the unit.` : 'Discarded before any reading.',
      ),
    };
  if (draft) return { judged: fromDraft(draft, unit.data), waiting: false, problem: null };
  if (sheet?.closedAt) return { judged: null, waiting: false, problem: new Error(TOO_OLD) };
  return { judged: null, waiting: draft === undefined || query.isPending, problem: query.error };
}
