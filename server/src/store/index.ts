/** The database: its connection, and the columns every table begins with. */
export { at, bytes, fleetId, id, place, recordedAt, shape, unitId } from './columns';
export { type Behind, connect, type Database, inFleet, readInFleet } from './connect';
export { everyFleet } from './every-fleet';
export type { FleetStore } from './fleet-store';
export { type Before, keptBefore, newestKept } from './kept-order';
export { CommitUnsure, isLost } from './lost';
export { lastChangeOf, pendingChanges, prepareDatabase, prepareRoles, queueUrl, serverUrl } from './migrate';
export { prepared } from './prepared';
export { QUIET } from './quiet';
export { streamInFleet } from './stream';
export { addTask, type TaskName, type Tasks } from './tasks';
