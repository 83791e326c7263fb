import type { Post } from '../device/outbox';
import { Broken, call, Refused } from './client';

/** Sends one command of the outbox. A refusal brings its reason; a fault of the server is told from one of the network. */
export const postCommand: Post = async ({ id, name, at, body }) => {
  try {
    await call('POST', `/commands/${name}`, { id, at, sent: new Date().toISOString(), body });
    return 'sent';
  } catch (error) {
    if (error instanceof Broken) return { broken: error.problem };
    if (!(error instanceof Refused)) return 'unreachable';
    return error.problem.status === 401 ? 'signed-out' : { refused: error.problem };
  }
};
