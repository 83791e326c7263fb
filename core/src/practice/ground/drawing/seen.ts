import type { HubNotes } from '../../../reading';
import { pointAt } from './scale';
import { circle, type Drawing, drawing, type Look, line, path, rect, type Shape, text } from './shape';
import type { View } from './view';

type HubLevel = NonNullable<HubNotes['level']>;

/** A hub seen from outside, through its glass. */
export interface GlassScene {
  kind: 'glass';
  hub: HubNotes;
  /** What an old stain pretends, until the glass is wiped. */
  stain: HubLevel | null;
  /** The hub has a glass: a grease-packed or sealed one has none. */
  glass: boolean;
}

/** Where the oil stands in the glass, from the top: the full mark at 84, the add mark at 124. */
const LEVEL_Y: Record<Exclude<HubLevel, 'unreadable' | 'empty'>, number> = {
  'above-full': 66,
  full: 84,
  between: 104,
  'at-add': 124,
  'below-add': 142,
};
export const FULL_Y = 84;
export const ADD_Y = 124;
const GLASS = { x: 180, y: 104, r: 60 };
const OIL: Record<NonNullable<HubNotes['condition']>, Look> = {
  clear: 'oil',
  dark: 'dark-oil',
  milky: 'milky',
  metal: 'oil',
};
const LEVEL_SAID: Record<HubLevel, string> = {
  'above-full': 'above the full mark',
  full: 'at the full mark',
  between: 'between the marks',
  'at-add': 'at the add mark',
  'below-add': 'below the add mark',
  empty: 'nothing to be seen',
  unreadable: 'not readable',
};

/** Oil in the glass up to a height: more than half of the circle above its middle, less below it. */
function surface(y: number, oil: Look, mark: string): Shape {
  const half = Math.sqrt(GLASS.r ** 2 - (y - GLASS.y) ** 2);
  const large = y < GLASS.y ? 1 : 0;
  const d = `M${GLASS.x - half} ${y}A${GLASS.r} ${GLASS.r} 0 ${large} 0 ${GLASS.x + half} ${y}z`;
  return path(d, oil, 'none', 0, { mark });
}

function inGlass({ hub, stain }: GlassScene, wiped: boolean): Shape[] {
  const level = hub.level ?? 'between';
  const shown: Shape[] = [];
  if (level !== 'empty' && level !== 'unreadable') {
    const y = LEVEL_Y[level];
    shown.push(surface(y, OIL[hub.condition ?? 'clear'], 'oil'), line(120, y, 240, y, 'none', 0, 'level'));
    if (hub.condition === 'metal')
      for (let nth = 0; nth < 9; nth++)
        shown.push(circle(146 + nth * 8, 134 + ((nth * 7) % 18), 1.8, 'shiny', { mark: 'metal' }));
  }
  if (!wiped) {
    const pretended = stain ?? null;
    if (pretended && pretended !== 'empty' && pretended !== 'unreadable')
      shown.push({ ...surface(LEVEL_Y[pretended], 'dirt', 'stain'), opacity: 0.75 });
    shown.push(circle(180, 104, 60, 'dirt', { opacity: pretended ? 0.25 : 0.5, mark: 'dirt' }));
  }
  return shown;
}

export function drawGlass(scene: GlassScene, { wiped }: View): Drawing {
  const { hub, glass } = scene;
  const missing = hub.cap === 'missing';
  const shapes: Shape[] = [
    circle(180, 104, 118, 'rubber'),
    circle(180, 104, 106, 'metal', { stroke: 'ink', width: 2 }),
    ...[0, 1, 2, 3, 4, 5].map((nth) =>
      circle(...pointAt({ x: 180, y: 104 }, nth * 60 + 30, 90), 5, 'shiny', { stroke: 'ink' }),
    ),
    ...(missing
      ? [
          circle(180, 104, 62, 'night', { stroke: 'ink', width: 3, mark: 'open' }),
          circle(180, 104, 34, 'none', { stroke: 'shiny', width: 8 }),
        ]
      : glass
        ? [
            circle(180, 104, 62, 'white', { stroke: 'ink', width: 4 }),
            ...inGlass(scene, wiped),
            line(226, FULL_Y, 246, FULL_Y, 'ink', 2, 'full'),
            line(226, ADD_Y, 246, ADD_Y, 'ink', 2, 'add'),
            text(262, FULL_Y + 4, 'full', { size: 11 }),
            text(262, ADD_Y + 4, 'add', { size: 11 }),
          ]
        : [circle(180, 104, 50, 'edge', { stroke: 'ink', width: 2 })]),
  ];
  if (hub.leak === 'outside' || hub.leak === 'onto-lining')
    shapes.push(
      path('M150 166q-10 30 -2 62h20q-2 -34 4 -58z', 'oil', 'none', 0, { mark: 'leak' }),
      circle(160, 234, 4, 'oil', { mark: 'drop' }),
    );
  if (hub.leak === 'seep')
    shapes.push(path('M140 162q40 14 80 0l-4 12q-36 10 -72 0z', 'dark-oil', 'none', 0, { mark: 'seep', opacity: 0.7 }));
  if (hub.smoking)
    for (const x of [120, 170, 222])
      shapes.push(path(`M${x} 30q10 -10 0 -18q-8 -8 4 -14`, 'none', 'soft', 4, { mark: 'smoke' }));
  if (hub.heat === 'hot')
    for (const x of [90, 250, 280])
      shapes.push(path(`M${x} 60q8 -10 0 -20q-8 -10 0 -20`, 'none', 'red', 3, { mark: 'heat' }));
  const level = hub.level ?? 'between';
  const through =
    glass && !missing
      ? wiped
        ? LEVEL_SAID[level]
        : scene.stain
          ? `through dirt, what looks like ${LEVEL_SAID[scene.stain]}`
          : 'dirt, nothing clear to be read'
      : '';
  const words = [
    missing ? 'The cap is gone: the bearing is open to view' : '',
    through ? `In the glass: ${through}` : glass || missing ? '' : 'A hub without a glass',
    wiped && hub.condition && level !== 'empty' ? `the oil is ${hub.condition}` : '',
    hub.leak && hub.leak !== 'none'
      ? hub.leak === 'seep'
        ? 'damp below the cap, no drops'
        : 'oil runs down'
      : 'dry outside',
    hub.smoking ? 'it smokes' : '',
    hub.heat === 'hot' ? 'hot to the hand' : '',
  ].filter(Boolean);
  return drawing(shapes, `${words.join('; ')}.`);
}

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
    `${touching ? 'The two tyres touch' : 'The two tyres stand apart'}${codes.includes('tyre-stone') ? ', a stone between them' : ''}.`,
  );
}

/** Parts looked at by eye, each with the codes that can be seen on it. */
export interface LookScene {
  kind: 'hose' | 'spring' | 'air-bag' | 'drum' | 'jaws';
  codes: readonly string[];
}

function drawHose({ codes }: LookScene): Drawing {
  const rubbed = codes.some((code) => code === 'brake-hose-chafed' || code === 'hose-shiny');
  const bulge = codes.includes('brake-hose-bulged');
  const leaks = codes.includes('air-leak') || codes.includes('air-coupling');
  const shapes = [
    rect(20, 60, 60, 30, 'metal', { stroke: 'ink' }),
    rect(280, 150, 60, 30, 'metal', { stroke: 'ink' }),
    line(160, 0, 190, 240, 'edge', 16),
    path('M80 75C150 75 120 180 190 150S250 165 280 165', 'none', 'rubber', 20),
    path('M80 75C150 75 120 180 190 150S250 165 280 165', 'none', 'soft', 2),
    ...(rubbed ? [path('M164 156q14 6 26 -6', 'none', 'shiny', 12, { mark: 'rubbed' })] : []),
    ...(bulge ? [circle(128, 122, 19, 'rubber', { stroke: 'ink', width: 2, mark: 'bulge' })] : []),
    ...(leaks ? [line(280, 150, 292, 126, 'soft', 2, 'leak'), line(290, 150, 306, 130, 'soft', 2, 'leak')] : []),
  ];
  const said = [
    rubbed ? 'a clean shiny spot where it touches the frame' : '',
    bulge ? 'a bulge under pressure' : '',
    leaks ? 'a hiss at the coupling' : '',
  ].filter(Boolean);
  return drawing(
    shapes,
    said.length ? `The hose has ${said.join(', ')}.` : 'The hose is dull all along, dry and straight.',
  );
}

function drawSpring({ codes }: LookScene): Drawing {
  const broken = codes.includes('leaf-broken');
  const main = codes.includes('main-leaf-broken');
  const shifted = codes.includes('leaf-shifted');
  const leaf = (nth: number): Shape[] => {
    const half = 150 - nth * 22;
    const y = 70 + nth * 16;
    const x = 180 + (shifted && nth === 2 ? 22 : 0);
    const whole = `M${x - half} ${y + 26 - nth * 4}Q${x} ${y - 26 + nth * 6} ${x + half} ${y + 26 - nth * 4}`;
    const cut = (broken && nth === 2) || (main && nth === 0);
    return [
      path(whole, 'none', 'ink', 12, { mark: shifted && nth === 2 ? 'shifted' : 'leaf' }),
      path(whole, 'none', 'metal', 9),
      ...(cut
        ? [
            line(x + half * 0.45, y - 22, x + half * 0.5, y + 34, 'paper', 6, 'break'),
            line(x + half * 0.44, y - 20, x + half * 0.49, y + 32, 'rust', 2),
          ]
        : []),
    ];
  };
  const shapes = [
    ...[4, 3, 2, 1, 0].flatMap(leaf),
    rect(160, 54, 40, 106, 'none', { stroke: 'ink', width: 7, r: 6 }),
    rect(12, 76, 26, 46, 'metal', { stroke: 'ink' }),
    rect(322, 76, 26, 46, 'metal', { stroke: 'ink' }),
    ...(codes.includes('joint-rust') ? [path('M326 118q8 34 -2 58', 'none', 'rust', 7, { mark: 'bleeds' })] : []),
  ];
  const said = [
    broken ? 'one leaf is broken' : '',
    main ? 'the main leaf is broken' : '',
    shifted ? 'a leaf stands out sideways' : '',
    codes.includes('joint-rust') ? 'rust bleeds from the hanger' : '',
  ].filter(Boolean);
  return drawing(
    shapes,
    said.length ? `In the spring pack ${said.join(', ')}.` : 'Five leaves in line, the hangers tight.',
  );
}

function drawAirBag({ codes }: LookScene): Drawing {
  const flat = codes.includes('air-bag-flat') || codes.includes('air-bag-body-down');
  const top = flat ? 124 : 60;
  const shapes = [
    rect(60, top - 26, 240, 22, 'metal', { stroke: 'ink', width: 2 }),
    flat
      ? path(`M110 ${top}q-24 24 0 46h140q24 -22 0 -46z`, 'rubber', 'ink', 2, { mark: 'flat' })
      : path(`M116 ${top}q-34 54 0 110h128q34 -56 0 -110z`, 'rubber', 'ink', 2, { mark: 'full' }),
    rect(90, 170, 180, 20, 'metal', { stroke: 'ink', width: 2 }),
    ...(codes.includes('air-bag-body-down') ? [rect(60, top - 34, 240, 8, 'red', { mark: 'down' })] : []),
    ...(codes.includes('air-bag-crinkled')
      ? [90, 112, 134].map((y) => path(`M106 ${y}q20 8 40 0t40 0t40 0t28 0`, 'none', 'soft', 2, { mark: 'crinkle' }))
      : []),
    ...(codes.includes('air-bag-cord')
      ? [path('M196 96l34 10M194 104l34 10M198 88l30 10', 'none', 'shiny', 2, { mark: 'cord' })]
      : []),
    path(codes.includes('ride-valve') ? 'M300 60l22 40l-22 30l24 40' : 'M310 56V176', 'none', 'edge', 5, {
      mark: codes.includes('ride-valve') ? 'bent' : 'link',
    }),
  ];
  const said = [
    flat ? 'flat' : 'full',
    codes.includes('air-bag-body-down') ? 'the body rests on it' : '',
    codes.includes('air-bag-crinkled') ? 'crinkled' : '',
    codes.includes('air-bag-cord') ? 'cord shows' : '',
    codes.includes('ride-valve') ? 'the link of its valve is bent' : '',
  ].filter(Boolean);
  return drawing(shapes, `The air bag: ${said.join(', ')}.`);
}

function drawDrum({ codes }: LookScene): Drawing {
  const blue = codes.includes('drum-blue') || codes.includes('brake-dragging');
  const shapes = [
    circle(180, 118, 112, 'metal', { stroke: 'ink', width: 2 }),
    circle(180, 118, 96, blue ? 'blue' : 'edge', { stroke: 'ink', width: 2, mark: blue ? 'blue' : 'plain' }),
    path('M112 84A76 76 0 0 1 248 84', 'none', 'lining', 18),
    path('M112 152A76 76 0 0 0 248 152', 'none', 'lining', 18),
    circle(180, 118, 36, 'night', { stroke: 'ink', width: 2 }),
    ...(codes.includes('drum-cracked')
      ? [path('M252 60l-10 18 8 14 -14 20', 'none', 'night', 3, { mark: 'crack' })]
      : []),
    ...(codes.includes('brake-dragging')
      ? [80, 280].map((x) => path(`M${x} 40q8 -10 0 -20q-8 -8 2 -16`, 'none', 'red', 4, { mark: 'heat' }))
      : []),
    ...(codes.includes('extinguisher-powder')
      ? [
          path('M110 60q30 -20 60 0q40 -16 60 10q-60 20 -120 -10z', 'white', 'none', 0, {
            mark: 'powder',
            opacity: 0.9,
          }),
        ]
      : []),
    ...(codes.includes('metal-on-metal')
      ? [path('M118 84l30 -22M124 92l30 -22', 'none', 'shiny', 3, { mark: 'scored' })]
      : []),
  ];
  const said = [
    codes.includes('brake-dragging') ? 'hot, and the wheel does not turn free' : '',
    blue ? 'blue from heat' : '',
    codes.includes('drum-cracked') ? 'a crack through the face' : '',
    codes.includes('extinguisher-powder') ? 'powder of an extinguisher' : '',
    codes.includes('metal-on-metal') ? 'scored bright by metal' : '',
  ].filter(Boolean);
  return drawing(
    shapes,
    said.length
      ? `The drum through its hole: ${said.join(', ')}.`
      : 'The drum through its hole: smooth, dry, no colour.',
  );
}

function drawJaws({ codes }: LookScene, light: boolean): Drawing {
  const open = codes.includes('jaws-open');
  const gap = codes.includes('plate-gap') ? 18 : 0;
  const shapes: Shape[] = [
    rect(20, 30, 320, 26, 'metal', { stroke: 'ink', width: 2 }),
    rect(20, 56 + gap, 320, 30, 'edge', { stroke: 'ink', width: 2 }),
    ...(gap ? [rect(20, 56, 320, gap, 'white', { mark: 'daylight' })] : []),
    rect(160, 56, 40, 110, 'shiny', { stroke: 'ink', width: 2, r: 8, mark: 'pin' }),
    open
      ? path('M120 120q-24 30 -10 70l26 -6q-12 -32 6 -52z', 'metal', 'ink', 2, { mark: 'open' })
      : path('M156 112q-20 34 0 66l20 -4v-58z', 'metal', 'ink', 2, { mark: 'closed' }),
    open
      ? path('M240 120q24 30 10 70l-26 -6q12 -32 -6 -52z', 'metal', 'ink', 2)
      : path('M204 112q20 34 0 66l-20 -4v-58z', 'metal', 'ink', 2),
    ...(light ? [] : [rect(0, 90, 360, 150, 'night', { opacity: 0.97, mark: 'dark' })]),
    rect(300, 200, 44, 12, 'amber', { stroke: 'ink', r: 4, mark: 'handle' }),
    text(322, 228, 'handle in', { size: 11, fill: light ? 'soft' : 'white' }),
  ];
  const inside = light
    ? open
      ? 'the jaws stand open beside the pin'
      : 'the jaws are closed round the pin'
    : 'dark inside: nothing to be seen without a lamp';
  return drawing(
    shapes,
    `Under the plate: ${inside}; the handle is in${gap ? '; daylight between plate and fifth wheel' : ''}.`,
  );
}

/** Draws what is looked at by eye alone. */
export function drawLook(scene: LookScene, { light }: View): Drawing {
  if (scene.kind === 'hose') return drawHose(scene);
  if (scene.kind === 'spring') return drawSpring(scene);
  if (scene.kind === 'air-bag') return drawAirBag(scene);
  return scene.kind === 'drum' ? drawDrum(scene) : drawJaws(scene, light);
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
