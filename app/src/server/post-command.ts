import type { Post } from '../device/outbox';
import { call, Refused } from './client';

/** Sends one command of the outbox. A refusal brings its reason; whatever else goes wrong is tried again later. */
export const postCommand: Post = async ({ id, name, at, body }) => {
  try {
    await call('POST', `/commands/${name}`, { id, at, body });
    return 'sent';
  } catch (error) {
    if (!(error instanceof Refused)) return 'unreachable';
    return error.problem.status === 401 ? 'signed-out' : { refused: error.problem };
  }
};
