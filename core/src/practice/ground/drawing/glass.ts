import type { HubNotes } from '../../../reading';
import { pointAt } from './scale';
import { circle, type Drawing, drawing, type Look, line, path, type Shape, text } from './shape';
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
