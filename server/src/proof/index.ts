/** That the records are as they were written, for how long they are kept, and who hears of them. */
export { noteForAll } from './backups';
export { checkFleet } from './check';
export { checkRecords, doCheckRecords } from './check-task';
export { endHook, setHook, tellHook, wishTold } from './hooks';
export { deletePast, forgetPerson, liftLegalHold, placeLegalHold, setKeeping } from './keeping';
export { proofRoutes } from './routes';
