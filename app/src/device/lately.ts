const KEY = 'za-lately';
const MOST = 20;

/** The units opened last on this device, the latest first. */
export function openedLately(): string[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as string[];
  } catch {
    return [];
  }
}

export function noteOpened(unit: string): void {
  localStorage.setItem(KEY, JSON.stringify([unit, ...openedLately().filter((each) => each !== unit)].slice(0, MOST)));
}
