import type { Breach } from './check';

/** A plan that the checker refused: it is shown to nobody, and kept with its seed to be looked into. */
export class PlanUnsound extends Error {
  constructor(
    readonly seed: number,
    readonly breaches: readonly Breach[],
  ) {
    super(
      `seed ${seed}: ${breaches.map(({ rule, job, message }) => `rule ${rule}, ${job ?? 'plan'}: ${message}`).join('; ')}`,
    );
    this.name = 'PlanUnsound';
  }
}
