import { type CommandAnswer, type CommandName, commandOf } from '@zealous-axle/core';
import {
  acknowledgeRepair,
  addToReport,
  deferDefect,
  dismissDefect,
  findNoFault,
  joinDefect,
  measureDefect,
  putRightHere,
  recordMeter,
  reportDefect,
  runByDaylight,
  takeBackAnswer,
  triageDefect,
} from './defects';
import { bundleWork, declineWork, wishForecast } from './forecast';
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
import { invitePerson, resetPerson, saveBay, setHolidays, setOwnUnits, setPerson, setPersonLeft } from './people';
import {
  askPlan,
  cancelPlan,
  closeCalendar,
  openCalendar,
  publishPlan,
  putPlanAside,
  setPlanWeights,
  watchPlan,
} from './plan';
import { finishPractice, markExam, openExam, setPracticeTask, tellPractice, withdrawPracticeTask } from './practice';
import { importReadings, importUnits } from './records';
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
} from './repair';
import {
  addFleetLimit,
  removeRoute,
  saveRoute,
  setFleetRules,
  setOwnSign,
  withdrawFleetLimit,
  withdrawOwnSign,
} from './rules';
import { type Actor, type Clock, type Handler, runCommand, type SentCommand } from './run';
import type { Database, FleetStore } from './store';
import { addUnit, drop, hook, recordPaper, recordSticker, setDeparture, setFitted, setUnitState } from './units';
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
  'run-by-daylight': runByDaylight,
  'put-right-here': putRightHere,
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
  'set-own-sign': setOwnSign,
  'withdraw-own-sign': withdrawOwnSign,
  'set-fitted': setFitted,
  'set-maker-limit': setMakerLimit,
  'save-route': saveRoute,
  'remove-route': removeRoute,
  'record-sticker': recordSticker,
  'record-paper': recordPaper,
};

/** What is kept in step with a command: the yard's rows, what is judged by its rules, and the plan where it may no longer stand. */
const derivedOf =
  (name: CommandName, { fleet: { id: fleet }, person }: Actor, now: Date) =>
  async (store: FleetStore, units: readonly string[]): Promise<void> => {
    await tellHeld(store, fleet, await keepYard(store, units), now);
    const { judgesAnew, movesPlan, foresees } = commandOf(name);
    if (judgesAnew) await judgeAllAgain(store, fleet, person.id);
    if (movesPlan) await watchPlan(store, fleet, movesPlan);
    if (foresees !== 'none') await wishForecast(store, fleet, foresees === 'all' ? 'all' : units);
  };

/** Does one command, by whoever is signed in. */
export const doCommand = <N extends CommandName>(
  db: Database,
  session: Actor,
  name: N,
  sent: SentCommand<N>,
  clock: Clock,
): Promise<CommandAnswer> =>
  runCommand(db, session, { name, handler: HANDLERS[name], derive: derivedOf(name, session, clock.now) }, sent, clock);
