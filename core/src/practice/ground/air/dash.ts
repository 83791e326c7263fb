import { judgeReading } from '../../../judge';
import type { Book, Verdict } from '../../../limits';
import { type Reading, readingText } from '../../../reading';
import { type Dial, dialShapes, needle } from '../drawing/scale';
import { circle, type Drawing, line, rect, type Shape, text } from '../drawing/shape';
import { MARKS } from '../settings';
import { type AirState, gaugeOf } from './model';
import type { Shown } from './order';

const ACROSS = 3;
const DIAL_HEIGHT = 172;

const dialAt = (x: number, y: number): Dial => ({
  x,
  y,
  r: 58,
  from: 0,
  to: 160,
  startAt: -135,
  endAt: 135,
  step: 5,
  labelEach: 40,
});

function face(x: number, y: number, name: string, psi: number): Shape[] {
  const on = dialAt(x, y);
  return [
    circle(x, on.y, on.r + 10, 'paper', { stroke: 'metal', width: 5 }),
    ...dialShapes(on),
    needle(on, Math.max(0, psi), `needle ${name}`),
    circle(x, on.y, 5, 'ink', { mark: `centre-${name}` }),
  ];
}

/** What is worked on the dash, each where it is drawn: a hand, a mouse or a key finds it there. */
export const AIR_CONTROLS = {
  tractor: { x: 22, y: 168, w: 78, h: 78 },
  trailer: { x: 106, y: 168, w: 78, h: 78 },
  key: { x: 262, y: 168, w: 70, h: 78 },
  engine: { x: 336, y: 168, w: 70, h: 78 },
  pedal: { x: 96, y: 252, w: 228, h: 60 },
} as const;
export type AirControl = keyof typeof AIR_CONTROLS;

const middleOf = (control: AirControl): number => AIR_CONTROLS[control].x + AIR_CONTROLS[control].w / 2;
const labelOver = (control: AirControl, words: string): Shape =>
  text(middleOf(control), AIR_CONTROLS[control].y + 12, words, { size: 11, fill: 'ink' });

/** A valve's knob on its stem: pushed in, or pulled out towards whoever looks. */
function knob(control: 'tractor' | 'trailer', isIn: boolean, look: 'amber' | 'red'): Shape[] {
  const x = middleOf(control);
  const top = isIn ? 194 : 212;
  return [
    rect(x - 5, 186, 10, top - 182, 'metal', { stroke: 'ink' }),
    rect(x - 28, top, 56, 28, look, { stroke: 'ink', r: 7, mark: `${control} ${isIn ? 'in' : 'out'}` }),
    labelOver(control, `${control} ${isIn ? 'in' : 'out'}`),
  ];
}

function pedal(isPressed: boolean): Shape[] {
  const { x, y, w } = AIR_CONTROLS.pedal;
  const top = y + (isPressed ? 30 : 18);
  return [
    labelOver('pedal', isPressed ? 'pedal, pressed' : 'pedal'),
    rect(x + 34, top, w - 68, 26, 'rubber', { stroke: 'ink', r: 6, mark: isPressed ? 'pressed' : 'released' }),
    ...[0, 1, 2, 3].map((nth) => line(x + 62 + nth * 35, top + 5, x + 62 + nth * 35, top + 21, 'metal', 3)),
  ];
}

function ignition({ key, engine }: AirState['controls']): Shape[] {
  const [at, start] = [middleOf('key'), middleOf('engine')];
  return [
    circle(at, 214, 20, 'paper', { stroke: 'ink', width: 2 }),
    line(at, 214, at + (key ? 0 : -13), 214 - (key ? 17 : 10), 'ink', 5, key ? 'key on' : 'key off'),
    labelOver('key', key ? 'key on' : 'key off'),
    circle(start, 214, 20, engine ? 'oil' : 'soft', { stroke: 'ink', width: 2, mark: engine ? 'runs' : 'stands' }),
    labelOver('engine', engine ? 'engine runs' : 'engine off'),
  ];
}

/** The gauges, valves, pedal and warning of a made-up dash. */
export function airDrawing(state: AirState): Drawing {
  const { controls, warning } = state;
  const gauges = [
    ['primary', gaugeOf(state, 'primary')],
    ['secondary', gaugeOf(state, 'secondary')],
    ['trailer', gaugeOf(state, 'trailer')],
  ] as const;
  const shapes = [
    rect(2, 2, 416, 316, 'rubber', { r: 14 }),
    rect(10, 160, 400, 152, 'metal', { r: 10 }),
    ...gauges.flatMap(([name, psi], nth) => [
      ...face(74 + nth * 136, 86, name, psi),
      text(74 + nth * 136, 137, name, { size: 9.5, fill: 'soft' }),
    ]),
    ...knob('tractor', controls.tractorIn, 'amber'),
    ...knob('trailer', controls.trailerIn, 'red'),
    circle(222, 214, 13, warning ? 'red' : 'soft', { stroke: 'ink', mark: warning ? 'warning' : 'quiet' }),
    text(222, 180, 'low air', { size: 11, fill: 'ink' }),
    ...ignition(controls),
    ...pedal(controls.pedal > 0),
  ];
  const said = gauges.map(([name, psi]) => `${name} ${Math.round(psi)} psi`).join(', ');
  const words = `${said}. Key ${controls.key ? 'on' : 'off'}, engine ${controls.engine ? 'runs' : 'off'}, tractor’s valve ${controls.tractorIn ? 'in' : 'out'}, trailer’s valve ${controls.trailerIn ? 'in' : 'out'}, pedal ${controls.pedal > 0 ? 'pressed' : 'released'}${warning ? ', low-air warning on' : ''}${state.loaded && controls.engine ? ', the compressor builds up' : ''}.`;
  return { width: 420, height: 320, shapes, words };
}

/** What the needle stood at when something was to be seen, in the order of the check. */
const seenAt = (shown: Shown): [name: string, psi: number | null][] => [
  ['cut out', shown.cutOut],
  ['cut in', shown.cutIn],
  ['released, first', shown.released?.[0] ?? null],
  ['released, later', shown.released?.[1] ?? null],
  ['applied, first', shown.applied?.[0] ?? null],
  ['applied, later', shown.applied?.[1] ?? null],
  ['warning', shown.warning],
  ['valves out', shown.valves],
];

/** The needle as it stood at each thing seen so far: to be read, as on the dash. Null before anything was. */
export function seenDrawing(shown: Shown): Drawing | null {
  const seen = seenAt(shown).flatMap(([name, psi]) => (psi === null ? [] : [{ name, psi }]));
  if (seen.length === 0) return null;
  const height = Math.ceil(seen.length / ACROSS) * DIAL_HEIGHT;
  return {
    width: 420,
    height,
    shapes: [
      rect(2, 2, 416, height - 4, 'rubber', { r: 14 }),
      ...seen.flatMap(({ name, psi }, nth) => {
        const [x, y] = [74 + (nth % ACROSS) * 136, 78 + Math.floor(nth / ACROSS) * DIAL_HEIGHT];
        return [...face(x, y, name, psi), text(x, y + 84, name, { size: 13.5, fill: 'white' })];
      }),
    ],
    words: `${seen.map(({ name, psi }) => `${name}: ${Math.round(psi)} psi`).join(', ')}.`,
  };
}

const verdictOf = (book: Book, reading: Reading | null): Verdict =>
  reading ? judgeReading(book, null, reading).verdict : 'not-judged';

/** What was written down beside what the gauges showed, each judged; the same where their verdicts agree. */
export function airVerdicts(book: Book, read: Reading | null, truth: Reading | null) {
  const words = (reading: Reading | null) =>
    reading
      ? `${readingText(reading)}, ${verdictOf(book, reading) === 'within' ? 'within' : 'past its limit'}`
      : 'not done';
  return {
    read: words(read),
    is: words(truth),
    same: read !== null && verdictOf(book, read) === verdictOf(book, truth),
  };
}

/** Marks of a hundred for a check: the share judged as it is, less what each new beginning takes. */
export const airMarks = (right: number, of: number, begunAgain: number): number =>
  Math.max(0, Math.round((100 * right) / of) - Math.min(MARKS.begunAgainMost, MARKS.begunAgain * begunAgain));
