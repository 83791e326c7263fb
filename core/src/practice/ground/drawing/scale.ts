import { line, type Shape, text } from './shape';

/** A straight scale: where its first figure stands, how far one unit is, and into how many parts each is divided. */
export interface Scale {
  x: number;
  y: number;
  /** Length of one unit on the drawing. */
  unit: number;
  /** Parts of a unit between two ticks. */
  parts: number;
  /** The figures it begins and ends at, in units. */
  from: number;
  to: number;
  /** A figure stands at each of so many units. */
  each?: number;
  labels?: (value: number) => string;
}

/** Where a figure stands on a scale. */
export const placeOn = ({ x, unit, from }: Scale, value: number): number => x + (value - from) * unit;

/** The longer a tick, the fewer parts it stands for: halves, quarters, eighths of a unit. */
function tickLength(nth: number, parts: number): number {
  if (nth % parts === 0) return 22;
  for (const [share, length] of [
    [2, 16],
    [4, 12],
    [8, 9],
  ] as const)
    if (parts % share === 0 && (nth * share) % parts === 0) return length;
  return parts % 10 === 0 && (nth * 2) % parts === 0 ? 14 : 6;
}

/** The ticks and figures of a scale, drawn downwards from its line. */
export function scaleShapes(scale: Scale): Shape[] {
  const { y, parts, from, to, each = 1, labels = String } = scale;
  const [first, last] = [Math.round(from * parts), Math.round(to * parts)];
  const shapes: Shape[] = [line(placeOn(scale, from), y, placeOn(scale, to), y, 'ink', 1.5)];
  for (let nth = first; nth <= last; nth++) {
    const at = placeOn(scale, nth / parts);
    shapes.push(line(at, y, at, y + tickLength(nth, parts), 'ink', nth % parts === 0 ? 1.6 : 1, 'tick'));
    if (nth % (parts * each) === 0)
      shapes.push(text(at, y + 36, labels(nth / parts), { size: 13, mark: `label ${nth / parts}` }));
  }
  return shapes;
}

/** A round scale, clockwise: degrees from the top at its first and last figure. */
export interface Dial {
  x: number;
  y: number;
  r: number;
  from: number;
  to: number;
  startAt: number;
  endAt: number;
  step: number;
  labelEach: number;
}

export const angleOn = ({ from, to, startAt, endAt }: Dial, value: number): number =>
  startAt + ((value - from) / (to - from)) * (endAt - startAt);
/** A point at an angle from the top, clockwise. */
export const pointAt = ({ x, y }: { x: number; y: number }, degrees: number, r: number): [number, number] => {
  const turn = ((degrees - 90) * Math.PI) / 180;
  return [x + r * Math.cos(turn), y + r * Math.sin(turn)];
};

/** The ticks and figures of a dial. */
export function dialShapes(dial: Dial): Shape[] {
  const { r, from, to, step, labelEach } = dial;
  const shapes: Shape[] = [];
  for (let value = from; value <= to; value += step) {
    const labelled = value % labelEach === 0;
    const degrees = angleOn(dial, value);
    const [x1, y1] = pointAt(dial, degrees, r);
    const [x2, y2] = pointAt(dial, degrees, r - (labelled ? 14 : value % (labelEach / 2) === 0 ? 10 : 6));
    shapes.push(line(x1, y1, x2, y2, 'ink', labelled ? 2 : 1, 'tick'));
    if (!labelled) continue;
    const [x, y] = pointAt(dial, degrees, r - 26);
    // Three digits beside a tick would run into it.
    const inward = String(value).length > 2 ? 5 * Math.sin((degrees * Math.PI) / 180) : 0;
    shapes.push(
      text(x - inward, y + 4, String(value), { size: 12, mark: `label ${value} at ${x1.toFixed(3)},${y1.toFixed(3)}` }),
    );
  }
  return shapes;
}

/** A dial's needle. */
export function needle(dial: Dial, value: number, mark = 'needle'): Shape {
  const [x, y] = pointAt(dial, angleOn(dial, value), dial.r - 7);
  return line(dial.x, dial.y, x, y, 'pointer', 2, mark);
}
