import type { Act } from '../life';
import { BENCH, EVERYBODY, SHOP } from '../life';

export const DEFECT_STATES = [
  'reported',
  'measuring',
  'deferred',
  'triaged',
  'planned',
  'done',
  'certified',
  'acknowledged',
  'joined',
  'no-fault',
  'dismissed',
  'put-right',
  'withdrawn',
] as const;
export type DefectState = (typeof DEFECT_STATES)[number];
export type DefectAct =
  | 'report'
  | 'triage'
  | 'measure'
  | 'defer'
  | 'let run by daylight'
  | 'join'
  | 'bring back'
  | 'see due'
  | 'close as no fault found'
  | 'dismiss'
  | 'put right on the spot'
  | 'withdraw'
  | 'undo the decision on'
  | 'plan'
  | 'unplan'
  | 'finish'
  | 'reopen'
  | 'certify'
  | 'acknowledge';

export type DefectNeed =
  | 'a reason'
  | 'a day ahead'
  | 'a rule that lets it wait'
  | 'a rule that lets it run by daylight'
  | 'daylight'
  | 'a photo'
  | 'a sign that is tied up on the spot';

/** Waits for an answer: now, once it is measured, or once its day has come. */
const UNANSWERED: readonly DefectState[] = ['reported', 'measuring', 'deferred'];
export const isUnanswered = (state: DefectState): boolean => UNANSWERED.includes(state);
/** Answered in a way that can be taken back: nothing was begun on it. */
const ANSWERED: readonly DefectState[] = [
  'measuring',
  'deferred',
  'triaged',
  'joined',
  'no-fault',
  'dismissed',
  'put-right',
];

/** From the driver's report to the next driver's eyes. Its job carries it from `planned` to `certified`. */
export const DEFECT_LIFE: readonly Act<DefectState, DefectAct, DefectNeed>[] = [
  { act: 'report', from: [], to: 'reported', who: EVERYBODY },
  { act: 'triage', from: UNANSWERED, to: 'triaged', who: SHOP },
  { act: 'measure', from: UNANSWERED, to: 'measuring', who: SHOP },
  {
    act: 'defer',
    from: [...UNANSWERED, 'triaged'],
    to: 'deferred',
    who: SHOP,
    needs: ['a reason', 'a day ahead', 'a rule that lets it wait'],
  },
  {
    act: 'let run by daylight',
    from: [...UNANSWERED, 'triaged'],
    to: 'deferred',
    who: SHOP,
    needs: ['a reason', 'a rule that lets it run by daylight', 'daylight'],
  },
  { act: 'bring back', from: ['measuring'], to: 'reported', who: BENCH },
  // Whoever reads the meter it was put off until: nobody answers anything by it.
  { act: 'see due', from: ['deferred'], to: 'reported', who: EVERYBODY },
  { act: 'join', from: [...UNANSWERED, 'triaged'], to: 'joined', who: SHOP },
  { act: 'close as no fault found', from: [...UNANSWERED, 'triaged'], to: 'no-fault', who: SHOP, needs: ['a reason'] },
  { act: 'dismiss', from: [...UNANSWERED, 'triaged'], to: 'dismissed', who: SHOP, needs: ['a reason'] },
  // Whoever found it put it right there and then: a finding that is closed, with its picture.
  {
    act: 'put right on the spot',
    from: ['reported'],
    to: 'put-right',
    who: EVERYBODY,
    needs: ['a reason', 'a photo', 'a sign that is tied up on the spot'],
  },
  // The reading it rests on was corrected: nobody has answered it, and it was never so.
  { act: 'withdraw', from: UNANSWERED, to: 'withdrawn', who: EVERYBODY, needs: ['a reason'] },
  { act: 'undo the decision on', from: ANSWERED, to: 'reported', who: SHOP },
  { act: 'plan', from: [...UNANSWERED, 'triaged'], to: 'planned', who: SHOP },
  { act: 'unplan', from: ['planned'], to: 'triaged', who: SHOP },
  { act: 'finish', from: ['planned'], to: 'done', who: BENCH },
  { act: 'reopen', from: ['done'], to: 'planned', who: BENCH },
  { act: 'certify', from: ['done'], to: 'certified', who: BENCH },
  { act: 'acknowledge', from: ['certified'], to: 'acknowledged', who: EVERYBODY },
];

/** Still to be worked on: what a release waits for. */
export const OPEN_DEFECT_STATES: readonly DefectState[] = [
  'reported',
  'measuring',
  'deferred',
  'triaged',
  'planned',
  'done',
];
export const isOpenDefect = (state: DefectState): boolean => OPEN_DEFECT_STATES.includes(state);
