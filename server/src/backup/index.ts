/** Everything kept in a file, and brought back from it. */

export { backUp } from './backup';
export { keepBefore } from './before';
export { restore, verify } from './restore';
