const LARGE_PX = 24;

/** Whether the person reads by letters half as large again as usual, or more: fewer things then fit beside one another. */
export const largeLetters = (): boolean =>
  Number.parseFloat(globalThis.getComputedStyle?.(document.documentElement).fontSize) >= LARGE_PX;
