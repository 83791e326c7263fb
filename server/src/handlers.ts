import type { CommandAnswer, CommandName } from '@zealous-axle/core';
import {
  acknowledgeRepair,
  addToReport,
  deferDefect,
  dismissDefect,
  findNoFault,
  joinDefect,
  measureDefect,
  recordMeter,
  reportDefect,
  takeBackAnswer,
  triageDefect,
} from './defects';
import {
  addFleetLimit,
  addUnit,
  drop,
  hook,
  invitePerson,
  recordPaper,
  recordSticker,
  removeRoute,
  resetPerson,
  saveBay,
  saveRoute,
  setDeparture,
  setFitted,
  setFleetRules,
  setHolidays,
  setOwnUnits,
  setPerson,
  setPersonLeft,
  setUnitState,
  unitsCoupled,
  withdrawFleetLimit,
} from './fleet';
import { bundleWork, declineWork, forecastsMoved, wishForecast } from './forecast';
import {
  attachPhoto,
  closeInspection,
  correctEnds,
  dropInspection,
  reportNothing,
  seeHeld,
  setMakerLimit,
  setUnit,
  skipReading,
  startInspection,
  takeReading,
} from './inspection';
import { setOutside, tellHeld } from './outside';
import {
  askPlan,
  cancelPlan,
  closeCalendar,
  movesPlan,
  openCalendar,
  publishPlan,
  putPlanAside,
  setPlanWeights,
  unitsPlanned,
  watchPlan,
} from './plan';
import { finishPractice, markExam, openExam, setPracticeTask, tellPractice, withdrawPracticeTask } from './practice';
import { importReadings, importUnits, unitsInFile } from './records';
import {
  addPart,
  askRoad,
  cancelJob,
  certifyJob,
  clockOff,
  clockOn,
  countPart,
  doRetorque,
  finishJob,
  holdTrailer,
  lapseRetorque,
  makeJob,
  makeJobs,
  noteRenewed,
  noteRoad,
  orderPart,
  placeJob,
  receivePart,
  releaseTrailer,
  reopenJob,
  saveTemplate,
  setPart,
  setRoadCosts,
  startJob,
  takePart,
  takeRoadReport,
  tickStep,
  torqueWheel,
  unitsOfDefects,
} from './repair';
import { type Actor, type Clock, type Handler, runCommand, type SentCommand, type UnitsOf } from './run';
import type { Database, FleetStore } from './store';
import { judgeAllAgain, keepYard } from './yard';

/** What each command does. One file per thing that is acted on. */
const HANDLERS: { [N in CommandName]: Handler<N> } = {
  'report-defect': reportDefect,
  'report-nothing': reportNothing,
  'see-held': seeHeld,
  'add-to-report': addToReport,
  'triage-defect': triageDefect,
  'dismiss-defect': dismissDefect,
  'measure-defect': measureDefect,
  'defer-defect': deferDefect,
  'join-defect': joinDefect,
  'find-no-fault': findNoFault,
  'take-back-answer': takeBackAnswer,
  'acknowledge-repair': acknowledgeRepair,
  'make-job': makeJob,
  'make-jobs': makeJobs,
  'place-job': placeJob,
  'cancel-job': cancelJob,
  'start-job': startJob,
  'finish-job': finishJob,
  'reopen-job': reopenJob,
  'certify-job': certifyJob,
  'tick-step': tickStep,
  'clock-on': clockOn,
  'clock-off': clockOff,
  'take-part': takePart,
  'order-part': orderPart,
  'receive-part': receivePart,
  'torque-wheel': torqueWheel,
  'do-retorque': doRetorque,
  'lapse-retorque': lapseRetorque,
  'ask-road': askRoad,
  'note-renewed': noteRenewed,
  'note-road': noteRoad,
  'take-road-report': takeRoadReport,
  'set-road-costs': setRoadCosts,
  'add-part': addPart,
  'set-part': setPart,
  'count-part': countPart,
  'save-template': saveTemplate,
  hook,
  drop,
  'record-meter': recordMeter,
  'hold-trailer': holdTrailer,
  'release-trailer': releaseTrailer,
  'start-inspection': startInspection,
  'take-reading': takeReading,
  'skip-reading': skipReading,
  'close-inspection': closeInspection,
  'drop-inspection': dropInspection,
  'attach-photo': attachPhoto,
  'import-readings': importReadings,
  'import-units': importUnits,
  'add-unit': addUnit,
  'invite-person': invitePerson,
  'set-person': setPerson,
  'set-person-left': setPersonLeft,
  'reset-person': resetPerson,
  'save-bay': saveBay,
  'set-holidays': setHolidays,
  'set-departure': setDeparture,
  'set-outside': setOutside,
  'ask-plan': askPlan,
  'cancel-plan': cancelPlan,
  'put-plan-aside': putPlanAside,
  'publish-plan': publishPlan,
  'set-plan-weights': setPlanWeights,
  'set-practice-task': setPracticeTask,
  'withdraw-practice-task': withdrawPracticeTask,
  'tell-practice': tellPractice,
  'finish-practice': finishPractice,
  'open-exam': openExam,
  'mark-exam': markExam,
  'open-calendar': openCalendar,
  'close-calendar': closeCalendar,
  'bundle-work': bundleWork,
  'decline-work': declineWork,
  'set-unit': setUnit,
  'correct-ends': correctEnds,
  'set-unit-state': setUnitState,
  'set-fleet-rules': setFleetRules,
  'set-own-units': setOwnUnits,
  'add-fleet-limit': addFleetLimit,
  'withdraw-fleet-limit': withdrawFleetLimit,
  'set-fitted': setFitted,
  'set-maker-limit': setMakerLimit,
  'save-route': saveRoute,
  'remove-route': removeRoute,
  'record-sticker': recordSticker,
  'record-paper': recordPaper,
};

/** The units a command names by other means than its body's own field. */
const UNITS_OF: Partial<Record<CommandName, UnitsOf>> = {
  'import-readings': unitsInFile,
  hook: unitsCoupled,
  drop: unitsCoupled,
  'publish-plan': unitsPlanned,
  'make-jobs': unitsOfDefects,
};

/** Commands after which a fleet judges by other rules. */
const CHANGES_RULES: ReadonlySet<CommandName> = new Set(['set-fleet-rules', 'add-fleet-limit', 'withdraw-fleet-limit']);

/** What is kept in step with a command: the yard's rows, what is judged by its rules, and the plan where it may no longer stand. */
const derivedOf =
  (name: CommandName, { fleet: { id: fleet }, person }: Actor, now: Date) =>
  async (store: FleetStore, units: readonly string[]): Promise<void> => {
    await tellHeld(store, fleet, await keepYard(store, units), now);
    if (CHANGES_RULES.has(name)) await judgeAllAgain(store, fleet, person.id);
    if (movesPlan(name)) await watchPlan(store, fleet, name);
    const moved = forecastsMoved(name);
    if (moved !== 'none') await wishForecast(store, fleet, moved === 'all' ? 'all' : units);
  };

/** Does one command, by whoever is signed in. */
export const doCommand = <N extends CommandName>(
  db: Database,
  session: Actor,
  name: N,
  sent: SentCommand<N>,
  clock: Clock,
): Promise<CommandAnswer> =>
  runCommand(
    db,
    session,
    { name, handler: HANDLERS[name], units: UNITS_OF[name], derive: derivedOf(name, session, clock.now) },
    sent,
    clock,
  );
