import { pointAt } from './scale';
import { circle, type Drawing, drawing, line, path, rect, type Shape, text } from './shape';
import type { View } from './view';

/** A bolt circle: holes count clockwise from the top. */
export interface BoltsScene {
  kind: 'bolts';
  holes: number;
  loose: readonly number[];
  missing: readonly number[];
  rust: readonly number[];
}

export function drawBolts({ holes, loose, missing, rust }: BoltsScene, _: View): Drawing {
  const centre = { x: 180, y: 120 };
  const nuts = Array.from({ length: holes }, (_each, index): Shape[] => {
    const nth = index + 1;
    const degrees = (index * 360) / holes;
    const [x, y] = pointAt(centre, degrees, 78);
    const [outX, outY] = pointAt(centre, degrees, 112);
    const streak = rust.includes(nth) ? [line(x, y, outX, outY, 'rust', 9, `rust ${nth}`)] : [];
    if (missing.includes(nth)) return [...streak, circle(x, y, 8, 'night', { stroke: 'ink', mark: `missing ${nth}` })];
    const turned = loose.includes(nth) ? degrees + 62 : degrees + 180;
    const [tipX, tipY] = pointAt({ x, y }, turned, 19);
    return [
      ...streak,
      ...(loose.includes(nth) ? [circle(x, y, 15, 'shiny', { stroke: 'ink', mark: `loose ${nth}` })] : []),
      circle(x, y, 12, 'metal', { stroke: 'ink', width: 2, mark: `nut ${nth}` }),
      circle(x, y, 5, 'edge', { stroke: 'ink' }),
      line(x, y, tipX, tipY, 'amber', 5, `pointer ${nth}`),
    ];
  });
  const shapes = [
    circle(180, 120, 116, 'rubber'),
    circle(180, 120, 104, 'metal', { stroke: 'ink', width: 2 }),
    ...nuts.flat(),
    circle(180, 120, 40, 'edge', { stroke: 'ink', width: 2 }),
    text(180, 18, 'top', { size: 11, fill: 'white' }),
  ];
  const said = (numbers: readonly number[], words: string) =>
    numbers.length ? [`at ${numbers.join(', ')} ${words}`] : [];
  const all = [
    ...said(missing, 'no nut'),
    ...said(loose, 'the pointer turned away, the thread shiny'),
    ...said(rust, 'a streak of rust'),
  ];
  return drawing(
    shapes,
    `${holes} holes, counted clockwise from the top. ${all.length ? all.join('; ') : 'Every pointer points to the middle, nothing shiny'}.`,
  );
}

/** A dual from above. */
export interface DualsScene {
  kind: 'duals';
  touching: boolean;
  codes: readonly string[];
}

export function drawDuals({ touching, codes }: DualsScene, _: View): Drawing {
  const gap = touching ? 0 : 26;
  const [left, right] = [166 - gap / 2 - 96, 194 + gap / 2 - 28 + 14];
  const inner = touching ? 84 : left;
  const tyre = (x: number, mark: string) => [
    rect(x, 24, 96, 190, 'rubber', { r: 22, stroke: 'ink', mark }),
    ...[1, 2, 3].map((nth) => line(x + nth * 24, 34, x + nth * 24, 204, 'edge', 3)),
  ];
  const outer = touching ? inner + 92 : right;
  const shapes = [
    ...tyre(inner, 'inner'),
    ...tyre(outer, 'outer'),
    ...(codes.includes('tyre-stone')
      ? [path('M168 104l22 -8 10 20 -16 16 -20 -8z', 'soft', 'ink', 2, { mark: 'stone' })]
      : []),
    ...(touching ? [] : [rect(inner + 96 + 3, 112, Math.max(4, outer - inner - 102), 8, 'pointer', { mark: 'gauge' })]),
    text(10, 232, 'Seen from above', { size: 12, anchor: 'start', fill: 'soft' }),
  ];
  return drawing(
    shapes,
    `${touching ? 'The two tires touch' : 'The two tires stand apart'}${codes.includes('tyre-stone') ? ', a stone between them' : ''}.`,
  );
}

/** Locking pins of a tandem slide, those that are not seated drawn out. */
export interface PinsScene {
  kind: 'pins';
  pins: number;
  seated: number;
}

export function drawPins({ pins, seated }: PinsScene, _: View): Drawing {
  const shapes: Shape[] = [rect(20, 110, 320, 40, 'metal', { stroke: 'ink', width: 2 })];
  for (let nth = 0; nth < pins; nth++) {
    const x = 60 + (nth * 240) / Math.max(1, pins - 1);
    const isIn = nth < seated;
    shapes.push(
      circle(x, 130, 12, 'night', { stroke: 'ink' }),
      rect(x - 8, isIn ? 92 : 46, 16, 52, 'shiny', { stroke: 'ink', r: 4, mark: isIn ? 'seated' : 'out' }),
    );
  }
  return drawing(
    shapes,
    `${pins} pins: ${seated} through their holes${seated < pins ? `, ${pins - seated} standing out` : ''}.`,
  );
}

/** How something rings under a tap: pitch in hertz, how long it rings in seconds. */
export interface Sound {
  hertz: number;
  seconds: number;
}
export interface TapScene {
  kind: 'tap';
  what: string;
  /** One for each thing tapped, in order. */
  sounds: readonly { name: string; sound: Sound }[];
}

/** The trace a tap leaves, for whoever does not hear it: a ringing that dies away. */
export function drawTap({ what, sounds }: TapScene, { place, tapped }: View): Drawing {
  const at = sounds[place];
  const shapes: Shape[] = [line(20, 120, 340, 120, 'soft', 1)];
  if (tapped && at) {
    const steps = 160;
    const points = Array.from({ length: steps }, (_, nth) => {
      const time = (nth / steps) * 1.2;
      const y = 120 - 84 * Math.exp(-time / at.sound.seconds) * Math.sin((nth * at.sound.hertz) / 90);
      return `${nth ? 'L' : 'M'}${20 + nth * 2} ${y.toFixed(1)}`;
    });
    shapes.push(path(points.join(''), 'none', 'ink', 2, { mark: 'trace' }));
  }
  const ring = (sound: Sound) =>
    sound.seconds > 0.3
      ? 'it rings, and rings on'
      : sound.seconds > 0.12
        ? 'a dull note that dies at once'
        : 'a dead thud';
  return drawing(
    [...shapes, text(10, 232, at?.name ?? what, { size: 12, anchor: 'start', fill: 'soft' })],
    tapped && at ? `${at.name} tapped: ${ring(at.sound)}.` : `${what}: not tapped yet.`,
  );
}

/** What has no drawing is said, as somebody beside one would say what there is to see. */
export interface WordsScene {
  kind: 'words';
  name: string;
  lines: readonly string[];
}

export function drawWords({ name, lines }: WordsScene, _: View): Drawing {
  const wrapped = lines.flatMap((each) => wrap(each, 40));
  const shapes = [
    rect(20, 40, 320, 160, 'paper', { stroke: 'edge', width: 2, r: 14 }),
    text(180, 76, name, { size: 17 }),
    ...wrapped.map((each, nth) => text(180, 112 + nth * 24, each, { size: 15, fill: 'ink' })),
  ];
  return drawing(shapes, `${name}: ${lines.join('. ')}.`);
}

function wrap(words: string, most: number): string[] {
  const out: string[] = [];
  for (const word of words.split(' ')) {
    const last = out.at(-1);
    if (last !== undefined && last.length + word.length + 1 <= most) out[out.length - 1] = `${last} ${word}`;
    else out.push(word);
  }
  return out;
}
