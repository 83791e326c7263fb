/** Everything kept in a file, and brought back from it. */

export { backUp } from './backup';
export { restore, verify } from './restore';
