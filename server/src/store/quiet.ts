import { Logger } from 'graphile-worker';

/** The queue's own log: only what failed is worth a line, and its task says that itself. */
export const QUIET = new Logger(() => () => undefined);
