const KEY = 'za.contact';

/** Held beside the device's storage, which may take nothing. */
let last: string | null = null;

function stored(): string | null {
  try {
    return localStorage.getItem(KEY);
  } catch {
    return null;
  }
}

/** The server's clock as it last told it to this device: what is done from now on is done after it. */
export const lastContact = (): string | undefined => last ?? stored() ?? undefined;

/** Notes the server's clock, as an answer of it says. */
export function noteContact(date: string | null): void {
  const told = Date.parse(date ?? '');
  if (Number.isNaN(told)) return;
  last = new Date(told).toISOString();
  try {
    localStorage.setItem(KEY, last);
  } catch {
    // Known until the window is closed.
  }
}
