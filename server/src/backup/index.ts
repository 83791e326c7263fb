/** Everything kept in a file, and brought back from it. */

export { backUp } from './backup';
export { keepBefore } from './before';
export { readKeepRule } from './keep';
export { restore, verify } from './restore';
export { keepBackups, type Schedule } from './schedule';
