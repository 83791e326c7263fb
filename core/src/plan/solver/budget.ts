/** What a search may use: so many steps, or until it is told to stop. `progress` is the share of it that is used up. */
export interface Budget {
  steps: number;
  /** Asked every few steps and at the end: 0 at the beginning, 1 and it ends. */
  progress: (steps: number) => number;
  stop: () => boolean;
}

/** How many steps lie between two looks at the clock. */
export const LOOK = 64;

/** A budget in parts, each until a share of the whole is used up, or so many steps; null where there is nothing left of it. */
export function partsOf({ steps, progress, stop }: Budget): (until: number, most?: number) => Budget | null {
  let done = 0;
  let used = 0;
  return (until, most = steps) => {
    const [before, from] = [done, used];
    const own = Math.min(steps - before, most);
    if (from >= until || own <= 0 || stop()) return null;
    return {
      steps: own,
      progress: (step) => {
        done = before + step;
        used = progress(done);
        return Math.max((used - from) / (until - from), step / own);
      },
      stop,
    };
  };
}

/** Whether a budget is not used up yet, asked before each step with how many there were. */
export const goesOn =
  ({ steps, progress, stop }: Budget) =>
  (step: number): boolean =>
    step < steps && (step % LOOK !== 0 || (progress(step) < 1 && !stop()));
