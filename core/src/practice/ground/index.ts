/** The practice ground: made-up trailers, drawn stations, the walk by heart, the air brake check and drills. Seeded and pure. */
export { AIR_CONTROLS, type AirControl, airDrawing, airMarks, airVerdicts, seenDrawing } from './air/dash';
export * from './air/model';
export * from './air/order';
export {
  type Card,
  cardsOf,
  type ExamResult,
  examResult,
  type Form,
  FRESH_CARDS,
  formsOf,
  SAID_OF,
  type SaidOf,
  type Speaking,
} from './by-heart';
export { type Compared, type Debrief, debrief, SAID, SAID_WORDS, type Said, type Taken, type Walked } from './debrief';
export { LAMP_FUNCTIONS, type LampFunction } from './drawing/lamps';
export { controlsOf, draw, firstLook, type Scene, sceneOf } from './drawing/scene';
export type { Drawing, Look, Shape } from './drawing/shape';
export { type Control, firstView, type View } from './drawing/view';
export {
  DRILL_QUESTIONS,
  DRILL_WORDS,
  DRILLS,
  type Drill,
  daysInARow,
  drillQuestions,
  drillScore,
  drillsOf,
  type Question,
} from './drills';
export { judgedTruth, levelsOf, makeUp, vehiclesOf } from './make';
export { answered, type CardGrade, GRADES, type Learnt, toRecall } from './recall';
export { GOOD, isNight, LEVELS, type Level, PRACTICE_ROUTES } from './settings';
export { type Hidden, type MadeUp, type MadeUpUnit, VEHICLE_WORDS, VEHICLES, type Vehicle } from './vehicle';
