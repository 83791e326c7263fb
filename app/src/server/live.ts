const SETTLE_MS = 120;

/** Says by name what was changed in the fleet; changes close together are said at once. */
export function followLive(onChange: (names: readonly string[]) => void): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let heard: string[] = [];
  const source = new EventSource('/api/v1/live');
  source.onmessage = ({ data }: MessageEvent<string>) => {
    heard.push((JSON.parse(data) as { type: string }).type);
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
