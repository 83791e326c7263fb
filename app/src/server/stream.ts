interface Listener {
  /** The server sends from now on; each time it does so anew. */
  opened: () => void;
  heard: (data: string) => void;
  lost: () => void;
}

const FIRST_WAIT_MS = 500;
const LONGEST_WAIT_MS = 15_000;
/** Those who were cut off together do not come back together. */
const JITTER = 0.3;

/** What the server says first on every stream. */
const READY = 'ready';

/**
 * Follows a stream of the server for as long as it is wanted. A browser gives a stream up for good once it is answered
 * anything but 200: so each try is one of our own, later after each that failed, and at once when the device is back on the
 * network.
 */
export function followStream(url: string, { opened, heard, lost }: Listener): () => void {
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let wait = FIRST_WAIT_MS;
  const again = () => {
    source?.close();
    source = null;
    clearTimeout(timer);
    timer = setTimeout(open, wait * (1 - JITTER * Math.random()));
    wait = Math.min(wait * 2, LONGEST_WAIT_MS);
  };
  function open(): void {
    source = new EventSource(url);
    source.addEventListener(READY, () => {
      wait = FIRST_WAIT_MS;
      opened();
    });
    source.onmessage = ({ data }: MessageEvent<string>) => heard(data);
    source.onerror = () => {
      lost();
      again();
    };
  }
  const online = () => {
    if (source?.readyState === EventSource.OPEN) return;
    wait = FIRST_WAIT_MS;
    again();
  };
  window.addEventListener('online', online);
  open();
  return () => {
    window.removeEventListener('online', online);
    clearTimeout(timer);
    source?.close();
  };
}
