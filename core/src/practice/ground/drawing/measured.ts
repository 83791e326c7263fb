import { angleOn, type Dial, dialShapes, needle, placeOn, pointAt, type Scale, scaleShapes } from './scale';
import { circle, type Drawing, drawing, line, path, rect, type Shape, text } from './shape';
import type { View } from './view';

/** How far the pointer seems to stand off for each step the eye does, in the drawing's units. */
const PARALLAX = 3.1;

/** Two sight lines that stand in one only where the eye is square on. */
const sight = (x: number, y: number, { eye, sighted }: View): Shape[] => (sighted ? sightLines(x, y, eye) : []);
const sightLines = (x: number, y: number, eye: number): Shape[] => [
  line(x, y, x, y + 8, 'soft', 2),
  line(x + eye * PARALLAX, y + 8, x + eye * PARALLAX, y + 16, 'soft', 2, 'sight'),
];

/** What lies on a scale that nobody wiped. */
const dirtOn = (x: number, y: number, w: number): Shape[] =>
  [0.12, 0.31, 0.5, 0.66, 0.84].map((share, nth) =>
    path(`M${x + w * share - 16} ${y + 8}q12 ${-14 - nth} 30 -4q10 16 -6 26q-20 8 -28 -4z`, 'dirt', 'none', 0, {
      opacity: 0.92,
    }),
  );

const eyeWords = (eye: number): string =>
  eye === 0 ? '' : ' The eye stands off to one side: the sight lines do not meet.';
const dirtWords = (wiped: boolean): string => (wiped ? '' : ' Dirt lies on the scale.');

const INCH = 62;
const RULE: Scale = { x: 34, y: 168, unit: INCH, parts: 16, from: 0, to: 5 };

/** The pushrod of a chamber against a rule, or – pulled by a bar – its free stroke. All in sixteenths of an inch. */
export interface StrokeScene {
  kind: 'stroke';
  /** From the chamber's face to the pin, released. */
  released16: number;
  stroke16: number;
  by: 'air' | 'bar';
}

export function drawStroke({ released16, stroke16, by }: StrokeScene, view: View): Drawing {
  const { applied, eye, wiped } = view;
  const sixteenths = released16 + (applied ? stroke16 : 0);
  const pin = placeOn(RULE, sixteenths / 16);
  const seen = pin + eye * PARALLAX;
  const shapes = [
    rect(0, 62, 34, 76, 'metal', { stroke: 'ink', width: 2.5, r: 6 }),
    line(34, 58, 34, 168, 'ink', 2),
    rect(34, 94, pin - 34 - 12, 12, 'shiny', { stroke: 'ink' }),
    path(`M${pin - 16} 86h22v28h-22z`, 'metal', 'ink', 2),
    circle(pin, 100, 5, 'paper', { stroke: 'ink', width: 2 }),
    path(`M${pin - 6} 114L${pin - 14} 140h16z`, 'metal', 'ink', 1.5),
    ...(by === 'bar' ? [line(pin, 100, pin + (applied ? 34 : 20), 30, 'edge', 6)] : []),
    rect(26, 160, 326, 52, 'paper', { stroke: 'edge', r: 4 }),
    ...scaleShapes(RULE),
    line(seen, 106, seen, 168, 'pointer', 1.6, 'pointer'),
    ...(wiped ? [] : dirtOn(34, 168, 310)),
    ...sight(346, 140, view),
    text(10, 232, applied ? (by === 'bar' ? 'Pulled by the bar' : 'Full application') : 'Released', {
      size: 12,
      anchor: 'start',
      fill: 'soft',
    }),
  ];
  const whole = Math.floor(sixteenths / 16);
  const words = `The pin stands ${sixteenths - whole * 16} sixteenths past ${whole} in on the rule, from the face of the chamber. ${applied ? 'Applied' : 'Released'}.`;
  return drawing(shapes, `${words}${eyeWords(eye)}${dirtWords(wiped)}`);
}

const STEPS: Scale = {
  x: 96,
  y: 168,
  unit: 200,
  parts: 32,
  from: 0,
  to: 1,
  each: 0.25,
  labels: (value) => ['0', '1/4', '1/2', '3/4', '1'][value * 4] ?? '',
};

/** A lining in its viewing hole, thickness in thirty-seconds, with a gauge laid on it. */
export interface LiningScene {
  kind: 'lining';
  points32: readonly number[];
  places: readonly string[];
  /** Wet with oil, cracked. */
  look: readonly string[];
}

export function drawLining({ points32, places, look }: LiningScene, view: View): Drawing {
  const { place, eye, wiped } = view;
  const thick = points32[place] ?? 0;
  const end = placeOn(STEPS, thick / 32);
  const wet = look.includes('lining-oil');
  const shapes = [
    circle(180, 90, 86, 'night', { stroke: 'metal', width: 8 }),
    rect(60, 62, 36, 58, 'metal', { stroke: 'ink' }),
    rect(96, 62, end - 96, 58, wet ? 'oil' : 'lining', { stroke: 'ink', mark: 'lining' }),
    ...(look.includes('lining-cracked')
      ? [path(`M${96 + (end - 96) / 2} 62l4 18-5 14 6 26`, 'none', 'night', 2, { mark: 'crack' })]
      : []),
    ...(wet
      ? [circle(end - 6, 126, 4, 'oil', { mark: 'drop' }), circle(end - 16, 134, 3, 'oil', { mark: 'drop' })]
      : []),
    path(`M${end} 56q18 36 0 70`, 'none', 'shiny', 5),
    rect(84, 160, 226, 50, 'paper', { stroke: 'edge', r: 4 }),
    ...scaleShapes(STEPS),
    line(end + eye * PARALLAX, 120, end + eye * PARALLAX, 168, 'pointer', 1.6, 'pointer'),
    ...(wiped ? [] : dirtOn(96, 168, 200)),
    ...sight(338, 140, view),
    text(10, 232, places[place] ?? '', { size: 12, anchor: 'start', fill: 'soft' }),
  ];
  return drawing(
    shapes,
    `${places[place] ?? ''}: the lining ends ${thick} thirty-seconds from the table.${wet ? ' It is wet with oil.' : ''}${eyeWords(eye)}${dirtWords(wiped)}`,
  );
}

const DEPTH: Scale = { x: 30, y: 36, unit: 15, parts: 1, from: 0, to: 20, each: 4 };

/** A block of tread with a depth gauge in one of its grooves, in thirty-seconds. */
export interface TreadScene {
  kind: 'tread';
  grooves32: readonly (readonly number[])[];
  cord: boolean;
}

export function drawTread({ grooves32, cord }: TreadScene, view: View): Drawing {
  const { place, groove, eye, wiped } = view;
  const row = grooves32[place] ?? [];
  const deep = row[groove] ?? 0;
  const [top, step] = [138, 3.2];
  const grooveAt = (nth: number) => 60 + nth * 72;
  const profile = row.map((each, nth) => `H${grooveAt(nth) - 10}l4 ${each * step}h12l4 ${-each * step}`).join('');
  const at = placeOn(DEPTH, deep) + eye * PARALLAX;
  const shapes = [
    rect(20, 20, 320, 62, 'paper', { stroke: 'edge', r: 4 }),
    ...scaleShapes(DEPTH),
    line(at, 12, at, 36, 'pointer', 2, 'pointer'),
    ...(wiped ? [] : dirtOn(30, 36, 300)),
    path(`M20 ${top}${profile}H340V224H20z`, 'rubber', 'ink', 2),
    ...(cord ? [line(60, 196, 300, 196, 'shiny', 2, 'cord'), line(60, 202, 300, 202, 'shiny', 2)] : []),
    rect(grooveAt(groove) - 34, top - 14, 64, 14, 'metal', { stroke: 'ink', r: 2 }),
    line(grooveAt(groove) - 2, top, grooveAt(groove) - 2, top + deep * step, 'pointer', 3, 'probe'),
    ...sight(350, 90, view),
  ];
  return drawing(
    shapes,
    `Spot ${place + 1} round the tire, groove ${groove + 1} from the inside: the gauge stands ${deep} thirty-seconds down.${cord ? ' Cord shows.' : ''}${eyeWords(eye)}${dirtWords(wiped)}`,
  );
}

const dialAt = (x: number, y: number, r: number, to: number): Dial => ({
  x,
  y,
  r,
  from: 0,
  to,
  startAt: -135,
  endAt: 135,
  step: 2,
  labelEach: 20,
});

function dialFace(dial: Dial, value: number, eye: number, name: string): Shape[] {
  const [x, y] = pointAt(dial, angleOn(dial, value), dial.r - 7);
  const hand = needle(dial, value);
  const seen: Shape = hand.shape === 'line' ? { ...hand, x2: x + eye * PARALLAX, y2: y } : hand;
  return [
    circle(dial.x, dial.y, dial.r + 12, 'paper', { stroke: 'metal', width: 6 }),
    ...dialShapes(dial),
    seen,
    circle(dial.x, dial.y, 6, 'ink', { mark: 'centre' }),
    text(dial.x, dial.y + dial.r * 0.62, name, { size: 11, fill: 'soft' }),
  ];
}

/** A tyre gauge on a valve, in psi. */
export interface DialScene {
  kind: 'dial';
  name: string;
  psi: number;
  /** What it shows once the time ran out, where it is watched. */
  after: number | null;
  minutes: number;
}

export function drawDial({ name, psi, after, minutes }: DialScene, view: View): Drawing {
  const { eye, wiped, after: later } = view;
  const value = later && after !== null ? after : psi;
  const dial = dialAt(180, 122, 92, 160);
  const shapes = [
    ...dialFace(dial, value, eye, 'psi'),
    ...(wiped ? [] : [path('M120 60q26 -18 60 4q30 20 6 44q-40 16 -62 -12z', 'dirt', 'none', 0, { opacity: 0.9 })]),
    text(10, 232, later ? `After ${minutes} min` : name, { size: 12, anchor: 'start', fill: 'soft' }),
    ...sight(340, 20, view),
  ];
  return drawing(
    shapes,
    `${name}: the needle stands at ${value} psi${later ? ` after ${minutes} min` : ''}.${eyeWords(eye)}${dirtWords(wiped)}`,
  );
}

/** A part between the jaws of a sliding rule. */
export interface RuleScene {
  kind: 'rule';
  name: string;
  /** The figure, in units of the scale. */
  value: number;
  unit: string;
  parts: number;
  from: number;
  to: number;
  each: number;
  /** Places it may be measured at, each with its figure; none where there is one. */
  others: readonly number[];
  places: readonly string[];
}

export function drawRule(scene: RuleScene, view: View): Drawing {
  const { place, eye, wiped } = view;
  const { name, unit, parts, from, to, each, places } = scene;
  const value = [scene.value, ...scene.others][place] ?? scene.value;
  const scale: Scale = { x: 34, y: 150, unit: 292 / (to - from), parts, from, to, each };
  const at = placeOn(scale, value);
  const shapes = [
    path(`M34 150V54H20V40H50V150z`, 'metal', 'ink', 2),
    rect(50, 56, Math.max(4, at - 50), 70, 'shiny', { stroke: 'ink', r: 8 }),
    path(`M${at} 40h30v14h-14v96h-16z`, 'metal', 'ink', 2),
    rect(20, 146, 326, 58, 'paper', { stroke: 'edge', r: 4 }),
    ...scaleShapes(scale),
    line(at + eye * PARALLAX, 126, at + eye * PARALLAX, 150, 'pointer', 1.8, 'pointer'),
    ...(wiped ? [] : dirtOn(34, 150, 292)),
    text(10, 232, [name, places[place]].filter(Boolean).join(', '), { size: 12, anchor: 'start', fill: 'soft' }),
    text(350, 232, unit, { size: 12, anchor: 'end', fill: 'soft' }),
    ...sight(352, 110, view),
  ];
  const ticks = Math.round((value - Math.floor(value)) * parts);
  return drawing(
    shapes,
    `${[name, places[place]].filter(Boolean).join(', ')}: ${ticks} of ${parts} parts past ${Math.floor(value)} ${unit}.${eyeWords(eye)}${dirtWords(wiped)}`,
  );
}
