import { readAgain } from './queries';

const SETTLE_MS = 120;

/** Reads again whenever something changes in the fleet; changes close together are read once. */
export function followLive(): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const source = new EventSource('/api/v1/live');
  source.onmessage = () => {
    clearTimeout(timer);
    timer = setTimeout(() => void readAgain(), SETTLE_MS);
  };
  return () => {
    clearTimeout(timer);
    source.close();
  };
}
