import { judgeReading } from '../../../judge';
import type { Book, Verdict } from '../../../limits';
import { type Reading, readingText } from '../../../reading';
import { type Dial, dialShapes, needle } from '../drawing/scale';
import { circle, type Drawing, rect, type Shape, text } from '../drawing/shape';
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
    circle(x, on.y, 5, 'ink', { mark: `centre ${name}` }),
  ];
}

const knob = (x: number, name: string, isIn: boolean, look: 'amber' | 'red'): Shape[] => [
  rect(x - 5, 182, 10, isIn ? 8 : 22, 'metal', { stroke: 'ink' }),
  rect(x - 20, isIn ? 188 : 202, 40, 18, look, { stroke: 'ink', r: 5, mark: `${name} ${isIn ? 'in' : 'out'}` }),
  text(x, 178, name, { size: 10, fill: 'soft' }),
];

/** The gauges, valves, pedal and warning of a made-up dash. */
export function airDrawing(state: AirState): Drawing {
  const { controls, warning } = state;
  const gauges = [
    ['primary', gaugeOf(state, 'primary')],
    ['secondary', gaugeOf(state, 'secondary')],
    ['trailer', gaugeOf(state, 'trailer')],
  ] as const;
  const shapes = [
    rect(2, 2, 416, 236, 'rubber', { r: 14 }),
    rect(10, 166, 400, 66, 'metal', { r: 10 }),
    ...gauges.flatMap(([name, psi], nth) => [
      ...face(74 + nth * 136, 92, name, psi),
      text(74 + nth * 136, 143, name, { size: 9.5, fill: 'soft' }),
    ]),
    ...knob(66, 'tractor', controls.tractorIn, 'amber'),
    ...knob(140, 'trailer', controls.trailerIn, 'red'),
    rect(212, controls.pedal > 0 ? 208 : 190, 60, 16, 'ink', {
      r: 4,
      mark: controls.pedal > 0 ? 'pressed' : 'released',
    }),
    text(242, 184, 'pedal', { size: 10, fill: 'soft' }),
    circle(312, 200, 12, warning ? 'red' : 'soft', { stroke: 'ink', mark: warning ? 'warning' : 'quiet' }),
    text(312, 180, 'low air', { size: 10, fill: 'soft' }),
    circle(368, 200, 14, controls.key ? 'amber' : 'edge', {
      stroke: 'ink',
      mark: controls.engine ? 'runs' : controls.key ? 'key on' : 'key off',
    }),
    text(368, 180, controls.engine ? 'engine' : controls.key ? 'key' : 'off', { size: 10, fill: 'soft' }),
  ];
  const said = gauges.map(([name, psi]) => `${name} ${Math.round(psi)} psi`).join(', ');
  const words = `${said}. Key ${controls.key ? 'on' : 'off'}, engine ${controls.engine ? 'runs' : 'off'}, tractor’s valve ${controls.tractorIn ? 'in' : 'out'}, trailer’s valve ${controls.trailerIn ? 'in' : 'out'}, pedal ${controls.pedal > 0 ? 'pressed' : 'released'}${warning ? ', low-air warning on' : ''}${state.loaded && controls.engine ? ', the compressor builds up' : ''}.`;
  return { width: 420, height: 240, shapes, words };
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
