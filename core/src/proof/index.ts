/** That the records are as they were written: the chain over them, who came in, and for how long what is kept. */
export { PROOF_COMMANDS } from './commands';
export * from './history';
export * from './keeping';
export * from './signature';
export * from './views';
