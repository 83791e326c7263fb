/** A span of minutes from now: it begins with `from` and ends before `to`. */
export interface Span {
  from: number;
  to: number;
}

/** The common part of two lists of spans, each in order. */
export function common(one: readonly Span[], other: readonly Span[]): Span[] {
  const out: Span[] = [];
  let [a, b] = [0, 0];
  while (a < one.length && b < other.length) {
    const [left, right] = [one[a] as Span, other[b] as Span];
    const from = Math.max(left.from, right.from);
    const to = Math.min(left.to, right.to);
    if (to > from) out.push({ from, to });
    if (left.to < right.to) a++;
    else b++;
  }
  return out;
}

/** What is left of spans without others, both in order. */
export function without(spans: readonly Span[], taken: readonly Span[]): Span[] {
  let left = [...spans];
  for (const each of taken)
    left = left.flatMap((span) => {
      if (each.to <= span.from || each.from >= span.to) return [span];
      return [
        ...(each.from > span.from ? [{ from: span.from, to: each.from }] : []),
        ...(each.to < span.to ? [{ from: each.to, to: span.to }] : []),
      ];
    });
  return left;
}

/** The end of work of so many minutes that goes on from span to span, begun at `start`; null where they do not last. */
export function endAcross(spans: readonly Span[], start: number, minutes: number): number | null {
  let left = minutes;
  for (const { from, to } of spans) {
    if (to <= start) continue;
    const begin = Math.max(from, start);
    if (begin > start && left === minutes) return null;
    if (left <= to - begin) return begin + left;
    left -= to - begin;
  }
  return null;
}
