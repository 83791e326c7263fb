import { type Budget, goesOn, partsOf } from './budget';

const bySteps = (steps: number): Budget => ({ steps, progress: (step) => step / steps, stop: () => false });
/** Uses a budget up as a search does: the steps it took. */
const use = (budget: Budget): number => {
  let step = 0;
  while (goesOn(budget)(step)) step++;
  budget.progress(step);
  return step;
};

test('parts of a budget add up to the whole, whether by share or by steps', () => {
  const part = partsOf(bySteps(6_400));
  const steps: number[] = [];
  for (let own = part(0.5, 1_280); own; own = part(0.5, 1_280)) steps.push(use(own));
  expect(steps).toEqual([1_280, 1_280, 640]);
  const rest = part(1);
  expect(rest && use(rest)).toBe(3_200);
  expect(part(1)).toBeNull();
});

test('each part tells how far it is from its own beginning to its own end', () => {
  const part = partsOf(bySteps(1_000));
  const first = part(0.25);
  expect([0, 125, 250].map((step) => first?.progress(step))).toEqual([0, 0.5, 1]);
  expect(part(0.25)).toBeNull();
  const few = part(1, 100);
  expect([0, 50, 100].map((step) => few?.progress(step))).toEqual([0, 0.5, 1]);
});

test('nothing is left of a budget whose time is over, or that was stopped', () => {
  let used = 0;
  const timed = partsOf({ steps: 1_000_000, progress: () => used, stop: () => false });
  const first = timed(0.5);
  used = 0.7;
  expect(first?.progress(64)).toBeGreaterThanOrEqual(1);
  expect(timed(0.5)).toBeNull();
  const rest = timed(1);
  used = 0.85;
  expect(rest?.progress(64)).toBeCloseTo(0.5);
  used = 1.2;
  rest?.progress(128);
  expect(timed(1)).toBeNull();
  expect(partsOf({ ...bySteps(10), stop: () => true })(1)).toBeNull();
});
