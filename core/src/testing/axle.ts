import type { Axle } from '../trailer';

/** An axle as most trailers of the tests have it. */
export const AXLE: Axle = {
  brake: 's-cam',
  chamber: { type: 'clamp', size: '30', stroke: 'standard' },
  adjuster: 'automatic',
  tyres: 'dual',
  hub: 'oil',
};
