/** Every sentence a refusal says beside its title. Nothing else writes error text; what `core` refuses brings its own. */
const SENTENCES = {
  unreadable: 'This text has a character that cannot be saved. Retype it.',
  'not-json': 'The body is not JSON: it ends early or has a character out of place.',
  'whole-trailer': 'This concerns the whole trailer',
  'which-end': 'Say at which wheel end',
  'say-what': 'Say in words what is wrong',
  'no-axle': (number: string, axles: number) => `${number} has ${axles} axles`,
  'no-place': (number: string) => `${number} has no such place`,
  month: 'Write a month like 2026-03',
  'no-check': 'There is no such check or test.',
  'move-undone': 'Already undone.',
  'rests-on-move': (numbers: readonly string[]) =>
    `${numbers.slice(0, 3).join(', ')}${numbers.length > 3 ? ' and others' : ''}: in use since the move (measured, reported, planned, driven or changed). What moved in stays.`,
  'too-many-phrases': (most: number) =>
    `A fleet can keep ${most} sentences of its own. Use the standard wording for some.`,
  'too-wide': 'This is not a list line: too long, or too many cells.',
  'no-picture': 'The server does not have this picture. Take it again.',
  'no-part': 'There is no such part to show it under.',
  'route-id': 'Must be the route’s id.',
  'other-unit': 'What this belongs to is of another unit.',
  'not-a-picture': 'This is not a JPEG picture.',
  'own-walk': 'Only the driver who started a walk-around can finish it.',
  'bench-only': 'Only shop staff can measure brakes, bearings and kingpin.',
  'corrections-only': 'This inspection is closed. Only a reading can still be corrected.',
  'before-start': 'An inspection cannot end before it began.',
  'closed-already': 'This inspection is already closed.',
  'call-over': (state: string) => `This call is already over: ${state}.`,
  'held-unit':
    'It is on hold or out of service by current readings, so it cannot be signed as found good. Do not drive it; call the shop.',
  'why-dropped': 'Readings were taken. Give the reason for discarding the inspection.',
  'dropped-inspection': 'This inspection was discarded. Start another.',
  'not-a-reading': 'A defect is reported, or found by a check.',
  'not-standing': 'The reading you are correcting is not the current one here.',
  'still-open': (count: number, first: string) =>
    `${count} readings are missing, the first at ${first}. Close it as incomplete and give the reason.`,
  'why-incomplete': 'Say why the inspection stays incomplete',
  'no-step': 'This job has no such step.',
  'not-renewed': 'This job fits no such part there.',
  'job-over': 'This job is closed. Nothing more can be ordered for it.',
  'no-meter': 'Its meter was never read. Defer it to a date instead.',
  'meter-passed': (reads: string) => `Its meter already reads ${reads}.`,
  'no-order': 'There is no such order for this job.',
  received: 'These parts were already received.',
  'no-wheel': 'This wheel does not come off in this job.',
  'snug-first': 'First snug every nut in a star pattern, then go to full torque.',
  'calibration-over': (day: string) => `The calibration of this tool expired on ${day}. Use another.`,
  'not-your-clock': 'You can stop only your own clock.',
  'no-stock': (name: string, stock: number, days: number) =>
    `${name}: ${stock} in stock. If ordered today, here in ${days} ${days === 1 ? 'day' : 'days'}.`,
  'other-exercise': 'This practice does not match the assignment. Open the assignment and start from there.',
  'own-exam': 'You cannot grade your own exam. Your examiner enters the code on another device.',
  'meter-ahead': 'A meter reading cannot be dated in the future.',
  'not-lapsed': (day: string) => `Not due until ${day}.`,
  retorqued: 'These wheels were already re-torqued.',
  'no-template-for-any': 'No template covers these. Create each job by hand.',
  'no-template': 'There is no such template of work.',
  'paper-missing': (name: string, state: string) =>
    state === 'expired'
      ? `Your ${name} qualification has expired. Someone else must sign.`
      : `Signing this requires the ${name} qualification.`,
  'not-practised': 'Signing this also takes a practice assignment passed within a year: shop policy.',
  'hooked-already': (pulled: string, puller: string) => `${pulled} is hooked behind ${puller}. Drop it first.`,
  'pulls-already': (puller: string, pulled: string) => `${puller} has ${pulled} hooked behind it. Drop that first.`,
  'dropped-already': 'Already discarded.',
  'report-taken': 'This report already has a job.',
  'no-report': 'The road service has not reported yet.',
  'no-carrier': 'A report can only be merged with one that is still open.',
  'not-certified': 'Only a certified repair can be a comeback.',
  'one-trailer': 'A job is for one trailer at a time.',
  'not-again': (reasons: readonly string[]) => `${reasons.join('. ')}.`,
  'holds-by-law': (what: string) =>
    `${what}: by this unit’s limit book it stays on hold until repaired. If nothing is found, decide “No fault found”.`,
  'release-barred': (barriers: string) => barriers,
  'not-your-calendar': 'Only whoever created this link, or a manager, can turn it off.',
  'plan-job-over': 'A job in this plan is closed or missing. Reload the plan.',
  'plan-broken': (job: string, rule: string) => `${job}: ${rule}.`,
  'no-page': 'Cannot continue from here. Ask for the first page.',
  'no-unit': (number: string) => `There is no unit “${number}”.`,
  'weeks-needed': (least: number, most: number) =>
    most
      ? `Repeats after ${least === most ? least : `${least} to ${most}`} weeks.`
      : 'This document has an expiration date, not an interval.',
  'name-taken': (name: string) => `Someone already signs in as ${name}.`,
  'not-yours': (role: string) => `Only a manager may invite or change a ${role}.`,
  'not-oneself': 'You cannot do this to your own account. Ask another foreman or manager.',
  'has-left': 'They have left the fleet. Reactivate them first.',
  'current-password': 'The current password is wrong.',
  'password-or-code': 'The password or the code is wrong.',
  'device-code': 'Not the code the device shows now. Check the device’s clock.',
  'number-taken': (number: string) => `Unit ${number} already exists.`,
  'twice-in-file': (number: string) => `${number} is in this file twice.`,
  'axle-in-use': (axle: number) =>
    `Axle ${axle} has readings or open defects. Correct the readings or decide the defects first.`,
  'part-there': (part: string) => `The parts list already has “${part}”.`,
  'reason-needed': 'This changes its verdicts. Give the reason and the evidence.',
  'not-in-use': (number: string, state: string) => `${number} is ${state}. Put it back in use first.`,
  'no-time': (text: string) => `“${text}” is not a time like 2026-03-02T12:00:00Z.`,
  future: (text: string) => `${text} is in the future.`,
  'not-imported': 'A defect is reported, not imported as a reading.',
  'no-columns': (names: readonly string[]) => `Missing columns: ${names.join(', ')}.`,
  'kept-too-short': (what: string) => `The book of this fleet has ${what} kept for longer.`,
  'lifted-already': 'This legal hold is already lifted.',
  'other-past': 'What is past retention has changed since it was shown. Reload, then sign.',
  'not-left': 'They still work here. Only the name of someone who left can be removed.',
  'secret-needed': 'A new address needs a secret to sign with.',
  'too-many-lines': (most: number) => `A file may have ${most} lines.`,
} as const;

type Sentences = typeof SENTENCES;
export type SentenceCode = keyof Sentences;
export type Said<C extends SentenceCode> = Sentences[C] extends (...args: infer A) => string ? A : [];

/** A sentence of the table, with what it names. */
export function sentence<C extends SentenceCode>(code: C, ...args: Said<C>): string {
  const words: string | ((...named: never[]) => string) = SENTENCES[code];
  return typeof words === 'string' ? words : words(...(args as never[]));
}
