/** What a part of a drawing is made of: whoever draws it knows the colour, by light and by dark. */
export type Look =
  | 'none'
  | 'paper'
  | 'ink'
  | 'soft'
  | 'edge'
  | 'metal'
  | 'shiny'
  | 'rubber'
  | 'lining'
  | 'rust'
  | 'oil'
  | 'dark-oil'
  | 'milky'
  | 'dirt'
  | 'blue'
  | 'red'
  | 'amber'
  | 'white'
  | 'pointer'
  | 'night';

interface Drawn {
  /** What it is to whoever reads the drawing back: a tick, a label, a pointer, a lamp that is lit. */
  mark?: string;
  opacity?: number;
}
export type Shape = Drawn &
  (
    | { shape: 'line'; x1: number; y1: number; x2: number; y2: number; stroke: Look; width: number }
    | { shape: 'rect'; x: number; y: number; w: number; h: number; r: number; fill: Look; stroke: Look; width: number }
    | { shape: 'circle'; x: number; y: number; r: number; fill: Look; stroke: Look; width: number }
    | { shape: 'path'; d: string; fill: Look; stroke: Look; width: number }
    | {
        shape: 'text';
        x: number;
        y: number;
        text: string;
        size: number;
        anchor: 'start' | 'middle' | 'end';
        fill: Look;
      }
  );

/** A station as it is seen: its size in the drawing's own units, its parts from back to front, and the same in words. */
export interface Drawing {
  width: number;
  height: number;
  shapes: Shape[];
  words: string;
}

const WIDTH = 360;
const HEIGHT = 240;

export const line = (
  x1: number,
  y1: number,
  x2: number,
  y2: number,
  stroke: Look,
  width = 1.5,
  mark?: string,
): Shape => ({
  shape: 'line',
  x1,
  y1,
  x2,
  y2,
  stroke,
  width,
  ...(mark ? { mark } : {}),
});
export const rect = (
  x: number,
  y: number,
  w: number,
  h: number,
  fill: Look,
  more: { r?: number; stroke?: Look; width?: number; mark?: string; opacity?: number } = {},
): Shape => ({
  shape: 'rect',
  x,
  y,
  w,
  h,
  fill,
  r: more.r ?? 0,
  stroke: more.stroke ?? 'none',
  width: more.width ?? 1.5,
  ...(more.mark ? { mark: more.mark } : {}),
  ...(more.opacity === undefined ? {} : { opacity: more.opacity }),
});
export const circle = (
  x: number,
  y: number,
  r: number,
  fill: Look,
  more: { stroke?: Look; width?: number; mark?: string; opacity?: number } = {},
): Shape => ({
  shape: 'circle',
  x,
  y,
  r,
  fill,
  stroke: more.stroke ?? 'none',
  width: more.width ?? 1.5,
  ...(more.mark ? { mark: more.mark } : {}),
  ...(more.opacity === undefined ? {} : { opacity: more.opacity }),
});
export const path = (
  d: string,
  fill: Look,
  stroke: Look,
  width = 1.5,
  more: { mark?: string; opacity?: number } = {},
): Shape => ({
  shape: 'path',
  d,
  fill,
  stroke,
  width,
  ...more,
});
export const text = (
  x: number,
  y: number,
  words: string,
  more: { size?: number; anchor?: 'start' | 'middle' | 'end'; fill?: Look; mark?: string } = {},
): Shape => ({
  shape: 'text',
  x,
  y,
  text: words,
  size: more.size ?? 12,
  anchor: more.anchor ?? 'middle',
  fill: more.fill ?? 'ink',
  ...(more.mark ? { mark: more.mark } : {}),
});

export const drawing = (shapes: Shape[], words: string): Drawing => ({ width: WIDTH, height: HEIGHT, shapes, words });
