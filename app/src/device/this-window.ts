const kept: Map<string, unknown>[] = [];
const stay = (event: BeforeUnloadEvent) => event.preventDefault();

/** While anything stands in this window alone, the browser asks before the window goes. */
function guard(): void {
  if (kept.some(({ size }) => size > 0)) window.addEventListener('beforeunload', stay);
  else window.removeEventListener('beforeunload', stay);
}

/** What the device's storage did not take, by id: it lives as long as this window. */
export function thisWindow<T>() {
  const own = new Map<string, T>();
  kept.push(own);
  return {
    get: (id: string): T | undefined => own.get(id),
    all: (): T[] => [...own.values()],
    keep(id: string, value: T): void {
      own.set(id, value);
      guard();
    },
    drop(id: string): void {
      own.delete(id);
      guard();
    },
  };
}
