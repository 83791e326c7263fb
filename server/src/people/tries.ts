import type { FastifyReply, FastifyRequest } from 'fastify';
import type { Coming } from '../access';
import { type Serving, spendingOf } from '../http';
import { KnownProblem } from '../problem';

/** Guesses a minute at one name, from one address; and over all names from one address. */
const OF_A_NAME = 10;
const OF_AN_ADDRESS = 60;
/** What an address may bring as proof once its guesses are spent: codes are looked up, which costs next to nothing. */
const PROOFS = 1_200;

/** How somebody comes in once the guesses from their address are spent. */
interface Tried extends Coming {
  /** Only who proves who they are, by what nobody guesses, is looked at. */
  proofOnly: boolean;
  refuse: () => never;
}

/**
 * Counts tries to come in, by where they come from and by the name tried. Guesses of others never lock the right person out:
 * beyond the budget whoever brings a code is still looked at, and nobody else.
 */
export function triesOf(serving: Serving) {
  const [name, address, proof] = [spendingOf(OF_A_NAME), spendingOf(OF_AN_ADDRESS), spendingOf(PROOFS)];
  return (request: FastifyRequest, reply: FastifyReply, who: string, hasCode: boolean): Tried => {
    const { ip } = request;
    const waits = [name(`${ip} ${who.toLowerCase()}`, 1), address(ip, 1)];
    const wait = Math.max(...waits.map((seconds) => seconds ?? 0));
    const refuse = (): never => {
      reply.header('retry-after', wait || 60);
      throw new KnownProblem('too-many-tries');
    };
    const proofOnly = wait > 0;
    if (proofOnly && (!hasCode || proof(ip, 1) !== null)) refuse();
    return { now: serving.now(), from: ip, closedFleet: serving.closedFleet, proofOnly, refuse };
  };
}

/** When and from where somebody comes in. */
export const coming = ({ now, closedFleet }: Serving, { ip }: FastifyRequest): Coming => ({
  now: now(),
  from: ip,
  closedFleet,
});
