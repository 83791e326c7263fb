import { useEffect, useRef, useState } from 'react';

/** How high and wide the chart may be: its rows share it. */
export function useRoom() {
  const element = useRef<HTMLElement>(null);
  const [{ height, width }, setRoom] = useState({ height: 0, width: 0 });
  useEffect(() => {
    if (!element.current) return;
    const watch = new ResizeObserver(([entry]) => entry && setRoom(entry.contentRect));
    watch.observe(element.current);
    return () => watch.disconnect();
  }, []);
  return { element, height, width };
}
