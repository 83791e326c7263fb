import type { Happened } from './refresh';

const SETTLE_MS = 120;

/** Says what happened in the fleet; events close together are said at once. The browser asks for what it missed by itself. */
export function followLive(onChange: (events: readonly Happened[]) => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let heard: Happened[] = [];
  const source = new EventSource('/api/v1/live');
  source.onmessage = ({ data }: MessageEvent<string>) => {
    heard.push(JSON.parse(data) as Happened);
    clearTimeout(timer);
    timer = setTimeout(() => {
      onChange(heard);
      heard = [];
    }, SETTLE_MS);
  };
  return () => {
    clearTimeout(timer);
    source.close();
  };
}
