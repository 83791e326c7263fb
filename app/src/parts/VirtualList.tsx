import { useVirtualizer, type Virtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useEffect, useRef } from 'react';
import { View } from 'react-native';
import { elementOf } from './element';

/** Rows kept above and below what is in sight. */
const BEYOND = 4;

/** How high a row is, as the browser tells after drawing it: to ask at once would lay the page out for every row. */
function heightOf(
  row: Element,
  told: ResizeObserverEntry | undefined,
  list: Virtualizer<HTMLElement, Element>,
): number {
  const index = list.indexFromElement(row);
  const [size] = told?.borderBoxSize ?? [];
  return size ? Math.round(size.blockSize) : (list.measurementsCache[index]?.size ?? list.options.estimateSize(index));
}

interface Props<R> {
  label: string;
  rows: readonly R[];
  /** How high a row usually is. Each is measured as it is drawn. */
  rowPx: number;
  keyOf: (row: R) => string;
  line: (row: R) => ReactNode;
  /** The end is near: time for the next page. */
  onEnd?: () => void;
  /** Which rows are drawn now, by key. */
  onSeen?: (keys: readonly string[]) => void;
}

/** A list of any length of which only what is in sight is drawn. */
export function VirtualList<R>({ label, rows, rowPx, keyOf, line, onEnd, onSeen }: Props<R>) {
  const scroll = useRef<View>(null);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => elementOf(scroll.current),
    estimateSize: () => rowPx,
    getItemKey: (index) => keyOf(rows[index] as R),
    overscan: BEYOND,
    measureElement: heightOf,
  });
  const drawn = list.getVirtualItems();
  const [first, last] = [drawn[0]?.index ?? 0, drawn.at(-1)?.index ?? -1];
  useEffect(() => {
    if (last >= rows.length - 1 - BEYOND) onEnd?.();
  }, [last, rows.length, onEnd]);
  useEffect(() => {
    onSeen?.(rows.slice(first, last + 1).map(keyOf));
  }, [first, last, rows, onSeen, keyOf]);
  return (
    <View ref={scroll} role="list" aria-label={label} className="min-h-0 flex-1 overflow-y-auto" tabIndex={-1}>
      <View style={{ height: list.getTotalSize() }}>
        {drawn.map(({ index, key, start }) => (
          <View
            key={String(key)}
            ref={(node) => list.measureElement(elementOf(node))}
            // @ts-expect-error react-native-web hands data attributes on; the list finds its rows by this one.
            dataSet={{ index }}
            role="listitem"
            className="absolute left-0 right-0 top-0"
            style={{ transform: [{ translateY: start }] }}
          >
            {line(rows[index] as R)}
          </View>
        ))}
      </View>
    </View>
  );
}
