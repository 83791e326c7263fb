/** The element that a native reference is on the web; null where there is none. */
export const elementOf = (native: unknown): HTMLElement | null =>
  typeof HTMLElement !== 'undefined' && native instanceof HTMLElement ? native : null;
