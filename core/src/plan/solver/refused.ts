/** A request that no plan can be made of: what is wrong, and where. */
export class PlanRefused extends Error {
  constructor(readonly errors: readonly { path: string; message: string }[]) {
    super(errors.map(({ path, message }) => `${path}: ${message}`).join('; '));
    this.name = 'PlanRefused';
  }
}
