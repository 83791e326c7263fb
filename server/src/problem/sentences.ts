/** Every sentence a refusal says beside its title. Nothing else writes error text; what `core` refuses brings its own. */
const SENTENCES = {
  unreadable: 'This text has a character that cannot be saved. Retype it.',
  'not-json': 'The body is not JSON: it ends early, or a sign stands where it may not.',
  'whole-trailer': 'This concerns the whole trailer',
  'which-end': 'Say at which wheel end',
  'say-what': 'Say in words what is wrong',
  'no-axle': (number: string, axles: number) => `${number} has ${axles} axles`,
  'no-place': (number: string) => `${number} has no such place`,
  month: 'Write a month like 2026-03',
  'no-check': 'There is no such check or test.',
  'move-undone': 'This was taken back already.',
  'rests-on-move': (numbers: readonly string[]) =>
    `Something rests on ${numbers.slice(0, 3).join(', ')}${numbers.length > 3 ? ' and others' : ''}: read, reported, planned, driven or changed since. What moved in stays.`,
  'too-many-phrases': (most: number) => `More than ${most} sentences of its own no fleet keeps: say some as they ship.`,
  'too-wide': 'This is no line of a list: it is too long, or has too many cells.',
  'no-picture': 'The server has no such picture: take it again.',
  'no-part': 'There is no such part to show it under.',
  'route-id': 'Must be the route’s id.',
  'other-unit': 'What this belongs to is of another unit.',
  'not-a-picture': 'This is not a JPEG picture.',
  'own-walk': 'Only the driver who started a walk-around can finish it.',
  'bench-only': 'Only shop staff can measure brakes, bearings and kingpin.',
  'corrections-only': 'This inspection is closed: only a correction of a reading may follow.',
  'before-start': 'An inspection cannot end before it began.',
  'closed-already': 'This inspection is closed already.',
  'call-over': (state: string) => `This call is over already: ${state}.`,
  'held-unit':
    'It is held, or out of service as it stands: it cannot be signed as found good. Do not drive it; call the shop.',
  'why-dropped': 'Something was read already: say why the inspection is dropped.',
  'dropped-inspection': 'This inspection was dropped: begin another.',
  'not-a-reading': 'A defect is reported, or found by a check.',
  'not-standing': 'The reading you are correcting is not the current one here.',
  'still-open': (count: number, first: string) =>
    `${count} readings are still open, the first at ${first}: close it as incomplete, and say why.`,
  'why-incomplete': 'Say why the inspection stays incomplete',
  'no-step': 'This job has no such step.',
  'not-renewed': 'This job fits no such part there.',
  'job-over': 'This job is over: nothing more is ordered for it.',
  'no-meter': 'Its meter was never read: put it off until a day.',
  'meter-passed': (reads: string) => `Its meter stands at ${reads} already.`,
  'no-order': 'There is no such order for this job.',
  received: 'These parts came already.',
  'no-wheel': 'This wheel does not come off in this job.',
  'snug-first': 'First snug every nut in a star pattern, then go to full torque.',
  'calibration-over': (day: string) => `The calibration of this tool ended on ${day}: use another.`,
  'not-your-clock': 'You can stop only your own clock.',
  'no-stock': (name: string, stock: number, days: number) =>
    `${name}: ${stock} in stock. Ordered today it is here in ${days} ${days === 1 ? 'day' : 'days'}.`,
  'other-exercise': 'What was practiced is not what this task asks for: open the task, and do it from there.',
  'own-exam': 'Nobody marks their own exam: whoever examines you holds the code on a device of their own.',
  'meter-ahead': 'A meter cannot have been read at a time that has not come.',
  'not-lapsed': (day: string) => `Not due until ${day}.`,
  retorqued: 'These wheels were torqued again already.',
  'no-template-for-any': 'No template names any of these: make each job by hand.',
  'no-template': 'There is no such template of work.',
  'paper-missing': (name: string, state: string) =>
    state === 'expired'
      ? `Your ${name} qualification has expired. Someone else must sign.`
      : `Signing this requires the ${name} qualification.`,
  'not-practised':
    'Signing this takes a set task of the practice yard, passed within a year: the shop’s rules ask for it beside the paper.',
  'hooked-already': (pulled: string, puller: string) => `${pulled} is hooked behind ${puller}: drop it first.`,
  'pulls-already': (puller: string, pulled: string) => `${puller} has ${pulled} behind it: drop that first.`,
  'dropped-already': 'It was dropped already.',
  'report-taken': 'This report is a job already.',
  'no-report': 'The road service has not reported yet.',
  'no-carrier': 'A report is joined to another one that is still open.',
  'not-certified': 'Only what was certified can have come back.',
  'one-trailer': 'A job is for one trailer at a time.',
  'not-again': (reasons: readonly string[]) => `${reasons.join('. ')}.`,
  'holds-by-law': (what: string) =>
    `${what}: by the book of this unit it holds until it is repaired. Where nothing is found, answer “No fault found”.`,
  'release-barred': (barriers: string) => barriers,
  'not-your-calendar': 'Whoever opened this address closes it, or a manager.',
  'plan-job-over': 'A job in this plan is closed or missing. Reload the plan.',
  'plan-broken': (job: string, rule: string) => `${job}: ${rule}.`,
  'no-page': 'This is no place to go on from: ask for the first page.',
  'no-unit': (number: string) => `There is no unit “${number}”.`,
  'weeks-needed': (least: number, most: number) =>
    most
      ? `This is done again after ${least === most ? least : `${least} to ${most}`} weeks.`
      : 'This paper has a last day, no interval.',
  'name-taken': (name: string) => `Somebody signs in as ${name} already.`,
  'not-yours': (role: string) => `Only a manager may invite or change a ${role}.`,
  'not-oneself': 'You cannot do this to your own account. Ask another foreman or manager.',
  'has-left': 'They have left: bring them back first.',
  'current-password': 'The current password is wrong.',
  'password-or-code': 'The password or the code is wrong.',
  'device-code': 'This is not the code the device shows now. Is its clock right?',
  'number-taken': (number: string) => `There is a unit ${number} already.`,
  'twice-in-file': (number: string) => `${number} stands in this file twice.`,
  'axle-in-use': (axle: number) =>
    `Axle ${axle} has readings or open defects: correct what was read there, or answer them first.`,
  'part-there': (part: string) => `The parts room has a “${part}” already.`,
  'reason-needed': 'What it is judged by changes: say why, and what it was seen by.',
  'not-in-use': (number: string, state: string) => `${number} is ${state}: bring it back into use first.`,
  'no-time': (text: string) => `“${text}” is not a time like 2026-03-02T12:00:00Z.`,
  future: (text: string) => `${text} lies in the future.`,
  'not-imported': 'A defect is reported, not imported as a reading.',
  'no-columns': (names: readonly string[]) => `Missing columns: ${names.join(', ')}.`,
  'kept-too-short': (what: string) => `The book of this fleet has ${what} kept for longer.`,
  'lifted-already': 'This legal hold was lifted already.',
  'other-past': 'What is past its time is no longer what was shown: read it again, then sign.',
  'not-left': 'They have not left: who works here keeps their name.',
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
