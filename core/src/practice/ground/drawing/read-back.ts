import type { Drawing, Shape } from './shape';

/**
 * What a person would read off a drawing, from where its parts stand and the figures printed on it, and nothing else:
 * the independent reader that the drawings are held against.
 */

const marked = (shapes: readonly Shape[], mark: string): Shape[] => shapes.filter((each) => each.mark === mark);
const middleOf = (shape: Shape): number => {
  if (shape.shape === 'line') return (shape.x1 + shape.x2) / 2;
  return shape.shape === 'path' ? Number.NaN : shape.x;
};

/** Figures of a straight scale with where they stand. */
const figures = ({ shapes }: Drawing): { at: number; value: number }[] =>
  shapes.flatMap((shape) => {
    const [, value] = /^label (-?[\d.]+)$/.exec(shape.mark ?? '') ?? [];
    return shape.shape === 'text' && value !== undefined ? [{ at: shape.x, value: Number(value) }] : [];
  });

/** The figure a pointer stands at on a straight scale. */
export function readScale(drawing: Drawing, pointer = 'pointer'): number {
  const all = figures(drawing).sort((a, b) => a.at - b.at);
  const [first, last] = [all[0], all.at(-1)];
  const [hand] = marked(drawing.shapes, pointer);
  if (!first || !last || first === last || !hand) throw new Error('nothing to read it by');
  return first.value + ((middleOf(hand) - first.at) / (last.at - first.at)) * (last.value - first.value);
}

/** The smallest step of a straight scale. */
export function divisionOf(drawing: Drawing): number {
  const ticks = marked(drawing.shapes, 'tick')
    .map(middleOf)
    .sort((a, b) => a - b);
  const all = figures(drawing).sort((a, b) => a.at - b.at);
  const [first, last] = [all[0], all.at(-1)];
  const [one, two] = ticks;
  if (!first || !last || one === undefined || two === undefined) throw new Error('no scale');
  return ((two - one) / (last.at - first.at)) * (last.value - first.value);
}

const degreesOf = (x: number, y: number, cx: number, cy: number): number =>
  ((Math.atan2(y - cy, x - cx) * 180) / Math.PI + 450) % 360;

/** The figure a needle stands at on a dial. `centre` is the shape it turns round. */
export function readDial(drawing: Drawing, hand = 'needle', centre = 'centre'): number {
  const [hub] = marked(drawing.shapes, centre);
  const [arm] = marked(drawing.shapes, hand);
  if (hub?.shape !== 'circle' || arm?.shape !== 'line') throw new Error('no needle');
  const hubs = drawing.shapes.filter((each) => each.shape === 'circle' && each.mark?.startsWith('centre'));
  const away = (each: Shape, x: number, y: number) =>
    each.shape === 'circle' ? Math.hypot(x - each.x, y - each.y) : Number.POSITIVE_INFINITY;
  const around = drawing.shapes.flatMap((shape) => {
    const [, value, x, y] = /^label (-?[\d.]+) at (-?[\d.]+),(-?[\d.]+)$/.exec(shape.mark ?? '') ?? [];
    const near = x !== undefined && hubs.every((each) => away(hub, +x, Number(y)) <= away(each, +x, Number(y)));
    return value !== undefined && near
      ? [{ value: Number(value), degrees: degreesOf(Number(x), Number(y), hub.x, hub.y) }]
      : [];
  });
  const start = around.reduce((one, other) => (other.value < one.value ? other : one));
  const turned = (degrees: number) => (degrees - start.degrees + 360) % 360;
  const end = around.reduce((one, other) => (other.value > one.value ? other : one));
  const at = turned(degreesOf(arm.x2, arm.y2, hub.x, hub.y));
  const share = (at > 350 ? at - 360 : at) / turned(end.degrees);
  return start.value + share * (end.value - start.value);
}

/** How many parts of a drawing are of a kind. */
export const countOf = ({ shapes }: Drawing, mark: string): number => marked(shapes, mark).length;
/** The numbers that follow a kind's name: `nut 3` gives 3. */
export const numbersOf = ({ shapes }: Drawing, mark: string): number[] =>
  shapes.flatMap((shape) => {
    const [, nth] = new RegExp(`^${mark} (\\d+)$`).exec(shape.mark ?? '') ?? [];
    return nth === undefined ? [] : [Number(nth)];
  });
/** How high something stands, from the top. */
export function heightOf({ shapes }: Drawing, mark: string): number {
  const [shape] = marked(shapes, mark);
  if (!shape) return Number.NaN;
  return shape.shape === 'line' ? shape.y1 : shape.shape === 'path' ? Number.NaN : shape.y;
}
