/** How the program goes on in its newer version: said by whoever found that there is one. */
let take: (() => void) | null = null;
const listeners = new Set<() => void>();

export const onNewer = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};
export const newer = (): (() => void) | null => take;

/** Offers a newer version: it is taken when somebody says so, never under an open page. */
function offerNewer(how: () => void): void {
  take = how;
  for (const listener of listeners) listener();
}

/** A newer version runs already, in another window: it is taken here too, at once where nobody looks at this page. */
export function offerTaken(first: () => void = () => {}): void {
  const go = () => {
    first();
    window.location.reload();
  };
  offerNewer(go);
  const unseen = () => document.hidden && go();
  unseen();
  document.addEventListener('visibilitychange', unseen);
}

/** How often is asked whether there is a newer version, while the page is open. */
const ASK_AGAIN_MS = 60 * 60_000;

/** Keeps the program on the device, and offers what is newer: found here, or taken in another window. */
export async function keepProgram(workers: ServiceWorkerContainer): Promise<void> {
  const before = workers.controller;
  let asked = false;
  workers.addEventListener('controllerchange', () => {
    if (asked) window.location.reload();
    else if (before) offerTaken();
  });
  const registration = await workers.register('/sw.js');
  const offer = () => {
    const waiting = registration.waiting;
    if (!waiting || !workers.controller) return;
    offerNewer(() => {
      asked = true;
      waiting.postMessage({ type: 'SKIP_WAITING' });
    });
  };
  offer();
  registration.addEventListener('updatefound', () => registration.installing?.addEventListener('statechange', offer));
  setInterval(() => void registration.update().catch(() => undefined), ASK_AGAIN_MS);
}
