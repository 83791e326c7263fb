import { bestOf, type Planner } from '../plan';
import thread from '../plan/thread';

/** A planner without threads: what it answers is the same, and the pool is tried with the real server. */
export const planHere = (): Planner => ({
  plan: async (request, signal, { from, again } = {}) => {
    const stop = new SharedArrayBuffer(4);
    if (signal.aborted) Atomics.store(new Int32Array(stop), 0, 1);
    return bestOf([thread({ request, stop, from, again })], () => {});
  },
  close: async () => {},
});
