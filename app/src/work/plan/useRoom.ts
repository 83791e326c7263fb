import { useEffect, useRef, useState } from 'react';

/** How high the chart may be: its rows share it. */
export function useRoom() {
  const element = useRef<HTMLElement>(null);
  const [height, setHeight] = useState(0);
  useEffect(() => {
    if (!element.current) return;
    const watch = new ResizeObserver(([entry]) => setHeight(entry?.contentRect.height ?? 0));
    watch.observe(element.current);
    return () => watch.disconnect();
  }, []);
  return { element, height };
}
