/** Runs when the window has nothing better to do, at the latest after `timeout` milliseconds. Not all browsers know idle time. */
export const whenIdle = (work: () => void, timeout: number): unknown =>
  'requestIdleCallback' in window ? requestIdleCallback(work, { timeout }) : setTimeout(work);
