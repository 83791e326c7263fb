const KEY = 'za.contact';

/** Held beside the device's storage, which may take nothing. */
let last: string | null = null;
/** Milliseconds by which this device's clock is ahead of the server's, as of the last contact. */
let ahead = 0;
const listeners = new Set<() => void>();

function stored(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}

/** The server's clock as it last told it to this device: what is done from now on is done after it. */
export const lastContact = (): string | undefined => last ?? stored() ?? undefined;

/** By how many milliseconds this device's clock is ahead of the server's. */
export const clockAhead = (): number => ahead;
export const onClock = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Notes the server's clock, as an answer of it says. */
export function noteContact(date: string | null): void {
  const told = Date.parse(date ?? '');
  if (Number.isNaN(told)) return;
  ahead = Date.now() - told;
  last = new Date(told).toISOString();
  for (const listener of listeners) listener();
  try {
    localStorage.setItem(KEY, last);
  } catch {
    // Known until the window is closed.
  }
}
