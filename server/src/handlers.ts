import type { CommandAnswer, CommandName } from '@zealous-axle/core';
import {
  acknowledgeRepair,
  deferDefect,
  dismissDefect,
  findNoFault,
  joinDefect,
  measureDefect,
  reportDefect,
  reportNothing,
  takeBackAnswer,
  triageDefect,
} from './defects';
import {
  addFleetLimit,
  addUnit,
  invitePerson,
  recordPaper,
  recordSticker,
  removeRoute,
  resetPerson,
  saveBay,
  saveRoute,
  setFitted,
  setFleetRules,
  setMakerLimit,
  setOwnUnits,
  setPerson,
  setPersonLeft,
  setUnitState,
  withdrawFleetLimit,
} from './fleet';
import {
  attachPhoto,
  closeInspection,
  setChamber,
  setUnit,
  skipReading,
  startInspection,
  takeReading,
} from './inspection';
import { importReadings, importUnits, unitsInFile } from './records';
import {
  cancelJob,
  certifyJob,
  finishJob,
  holdTrailer,
  makeJob,
  placeJob,
  releaseTrailer,
  reopenJob,
  startJob,
} from './repair';
import { type Actor, type Clock, type Handler, runCommand, type SentCommand, type UnitsOf } from './run';
import type { Database } from './store';
import { keepYard } from './yard';

/** What each command does. One file per thing that is acted on. */
const HANDLERS: { [N in CommandName]: Handler<N> } = {
  'report-defect': reportDefect,
  'report-nothing': reportNothing,
  'triage-defect': triageDefect,
  'dismiss-defect': dismissDefect,
  'measure-defect': measureDefect,
  'defer-defect': deferDefect,
  'join-defect': joinDefect,
  'find-no-fault': findNoFault,
  'take-back-answer': takeBackAnswer,
  'acknowledge-repair': acknowledgeRepair,
  'make-job': makeJob,
  'place-job': placeJob,
  'cancel-job': cancelJob,
  'start-job': startJob,
  'finish-job': finishJob,
  'reopen-job': reopenJob,
  'certify-job': certifyJob,
  'hold-trailer': holdTrailer,
  'release-trailer': releaseTrailer,
  'start-inspection': startInspection,
  'take-reading': takeReading,
  'skip-reading': skipReading,
  'close-inspection': closeInspection,
  'attach-photo': attachPhoto,
  'import-readings': importReadings,
  'import-units': importUnits,
  'add-unit': addUnit,
  'invite-person': invitePerson,
  'set-person': setPerson,
  'set-person-left': setPersonLeft,
  'reset-person': resetPerson,
  'save-bay': saveBay,
  'set-unit': setUnit,
  'set-chamber': setChamber,
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
const UNITS_OF: Partial<Record<CommandName, UnitsOf>> = { 'import-readings': unitsInFile };

/** Does one command, by whoever is signed in. */
export const doCommand = <N extends CommandName>(
  db: Database,
  session: Actor,
  name: N,
  sent: SentCommand<N>,
  clock: Clock,
): Promise<CommandAnswer> =>
  runCommand(db, session, { name, handler: HANDLERS[name], units: UNITS_OF[name], derive: keepYard }, sent, clock);
