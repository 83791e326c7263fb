import type { CommandName } from '@zealous-axle/core';
import { acknowledgeRepair, dismissDefect, reportDefect, triageDefect } from './defects';
import type { Handler } from './doing';
import { holdTrailer, releaseTrailer } from './holds';
import { importReadings } from './imports';
import { closeInspection, skipReading, startInspection, takeReading } from './inspections';
import { cancelJob, certifyJob, finishJob, makeJob, placeJob, reopenJob, startJob } from './jobs';
import { recordSticker } from './papers';
import { attachPhoto } from './photos';
import { removeRoute, saveRoute } from './routes';
import { addFleetLimit, setFleetRules, setMakerLimit, setOwnUnits, withdrawFleetLimit } from './rules';

/** What each command does. One file per thing that is acted on. */
export const HANDLERS: { [N in CommandName]: Handler<N> } = {
  'report-defect': reportDefect,
  'triage-defect': triageDefect,
  'dismiss-defect': dismissDefect,
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
  'set-fleet-rules': setFleetRules,
  'set-own-units': setOwnUnits,
  'add-fleet-limit': addFleetLimit,
  'withdraw-fleet-limit': withdrawFleetLimit,
  'set-maker-limit': setMakerLimit,
  'save-route': saveRoute,
  'remove-route': removeRoute,
  'record-sticker': recordSticker,
};
export { runCommand } from './run';
