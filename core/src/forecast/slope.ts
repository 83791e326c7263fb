/** A point of a line: `x` grows with time or distance, `y` falls with wear. */
export interface XY {
  x: number;
  y: number;
}

/** How fast `y` changes with `x`: the usual value, and the fastest and slowest it may well be. */
export interface Slope {
  slope: number;
  /** The steepest fall inside of the interval. */
  steep: number;
  /** The gentlest; above nothing where it may not fall at all. */
  gentle: number;
}

/** The value below which a share of all weight lies. */
function weightedQuantile(sorted: readonly { value: number; weight: number }[], share: number): number {
  const whole = sorted.reduce((sum, { weight }) => sum + weight, 0);
  let sum = 0;
  for (const { value, weight } of sorted) {
    sum += weight;
    if (sum >= whole * share) return value;
  }
  return sorted.at(-1)?.value ?? 0;
}

/**
 * The robust slope of points that fall: the median of the slopes of all pairs, those far apart weighing more, since a
 * gauge's step matters less there. `within` is the part of the slopes whose spread the interval follows; the steep and the gentle one
 * are never nearer to each other than the gauge's `step` lets anybody tell. Null where all points stand at one x.
 */
export function slopeOf(points: readonly XY[], within: number, step: number): Slope | null {
  const pairs: { value: number; weight: number }[] = [];
  for (const [index, one] of points.entries())
    for (let next = index + 1; next < points.length; next++) {
      const other = points[next] as XY;
      const apart = other.x - one.x;
      if (apart > 0) pairs.push({ value: (other.y - one.y) / apart, weight: apart });
    }
  if (pairs.length === 0) return null;
  pairs.sort((a, b) => a.value - b.value);
  const slope = weightedQuantile(pairs, 0.5);
  const tail = (1 - within) / 2;
  const span = Math.max(...points.map(({ x }) => x)) - Math.min(...points.map(({ x }) => x));
  const least = step / span;
  // The median of many is surer than any one of them.
  const share = 1 / Math.sqrt(points.length);
  return {
    slope,
    steep: slope - share * Math.max(slope - weightedQuantile(pairs, tail), least),
    gentle: slope + share * Math.max(weightedQuantile(pairs, 1 - tail) - slope, least),
  };
}

const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 ? (sorted[middle] ?? 0) : ((sorted[middle - 1] ?? 0) + (sorted[middle] ?? 0)) / 2;
};

/** What `y` is expected to be at an `x` beyond all points. */
export const valueAt = (points: readonly XY[], slope: number, x: number): number =>
  median(points.map((point) => point.y + slope * (x - point.x)));

/** A line as it goes on from the last point. */
export interface Ahead {
  x: number;
  y: number;
  slope: number;
}

export function aheadOf(points: readonly XY[], slope: number): Ahead {
  const x = points.reduce((last, point) => Math.max(last, point.x), Number.NEGATIVE_INFINITY);
  return { x, y: valueAt(points, slope, x), slope };
}

/**
 * Where a line falls to a level, at the last point or beyond; null where it never does. A lower point or a steeper slope
 * never makes it later.
 */
export function reaches({ x, y, slope }: Ahead, level: number): number | null {
  if (y <= level) return x;
  return slope < 0 ? x + (level - y) / slope : null;
}
