import type { CommandAnswer, Problem } from '@zealous-axle/core';
import type { Post } from '../device/outbox';
import { Broken, call, Refused } from './client';

const TOO_OLD: Problem = {
  type: 'about:blank',
  title: 'Too old',
  status: 409,
  detail: 'Sent too late. It is kept on record but changes nothing.',
  errors: [],
};

/** Sends one command of the outbox. A refusal brings its reason; a fault of the server is told from one of the network. */
export const postCommand: Post = async ({ id, name, at, contact, body, signature }, counted) => {
  try {
    const sent = new Date().toISOString();
    const { tooOld } = await call<CommandAnswer>('POST', `/commands/${name}`, {
      id,
      at,
      sent,
      contact,
      counted,
      body,
      signature,
    });
    return tooOld ? { refused: TOO_OLD } : 'sent';
  } catch (error) {
    if (error instanceof Broken) return { broken: error.problem };
    if (!(error instanceof Refused)) return 'unreachable';
    return error.problem.status === 401 ? 'signed-out' : { refused: error.problem };
  }
};
