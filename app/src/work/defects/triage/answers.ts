import { type CommandBody, defectWords, type TriageReport, type Urgency } from '@zealous-axle/core';
import { send } from '../../../device/outbox';
import { defectPlace } from '../../../parts/DefectRow';

/** A command that answers a report, without the report it answers. */
type AnswerName =
  | 'triage-defect'
  | 'measure-defect'
  | 'defer-defect'
  | 'run-by-daylight'
  | 'join-defect'
  | 'find-no-fault'
  | 'dismiss-defect';
export type Answered = { [N in AnswerName]: { name: N; more: Omit<CommandBody<N>, 'defect' | 'version'> } }[AnswerName];

const URGENCY_WORDS: Record<Urgency, string> = {
  hold: 'To be held',
  'before-use': 'Before its next use',
  'next-visit': 'At its next visit',
  'measure-first': 'Measure first',
};

/** How much a report presses. That it holds is said of what does. */
export const urgencyWords = ({ defect, proposal }: Pick<TriageReport, 'defect' | 'proposal'>): string =>
  defect.holds ? 'Holds' : URGENCY_WORDS[proposal.severity];

export const placeOf = ({ defect }: TriageReport): string => `${defect.unit.number} ${defectPlace(defect)}`;

/** What the proposal would send. */
export function asProposed({ proposal: { answer, holds, joins } }: TriageReport): Answered {
  if (answer === 'join' && joins) return { name: 'join-defect', more: { with: joins } };
  if (answer === 'measure') return { name: 'measure-defect', more: {} };
  return { name: 'triage-defect', more: { holds } };
}

/** An answer in words, for the button that gives it and for the list of what was answered. */
export function answerWords({ name, more }: Answered): string {
  if (name === 'join-defect') return 'merge with the existing report';
  if (name === 'measure-defect') return 'measure first';
  if (name === 'defer-defect') return `put off until ${more.until}${more.untilMeter ? ` or ${more.untilMeter}` : ''}`;
  if (name === 'run-by-daylight') return 'by daylight only, until dusk';
  if (name === 'find-no-fault') return 'no fault found';
  if (name === 'dismiss-defect') return 'not a defect';
  return more.holds ? 'repair, hold the unit' : 'repair, no hold';
}

/** Sends the answer to a report. */
export function answer(report: TriageReport, { name, more }: Answered): Promise<void> {
  const { id, version, code } = report.defect;
  const label = `${placeOf(report)} ${defectWords(code)}: ${answerWords({ name, more } as Answered)}`;
  return send(name, { defect: id, version, ...more } as CommandBody<typeof name>, label);
}

/** Takes an answer back: the report waits again. */
export const takeBack = (report: TriageReport): Promise<void> =>
  send(
    'take-back-answer',
    { defect: report.defect.id, version: report.defect.version + 1 },
    `${placeOf(report)}: decision undone`,
  );
