/** There was no time for even one plan: the request is too large for what it allows. */
export class PlanTooLate extends Error {
  constructor() {
    super('no plan within its time');
  }
}
