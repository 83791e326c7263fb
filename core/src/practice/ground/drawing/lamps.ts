import { circle, type Drawing, drawing, type Look, line, rect, type Shape, text } from './shape';

/** What a switch of the plug lights, by function. */
export const LAMP_FUNCTIONS = ['park', 'brake', 'left', 'right', 'hazard', 'reverse'] as const;
export type LampFunction = (typeof LAMP_FUNCTIONS)[number];
export const LAMP_FUNCTION_WORDS: Record<LampFunction, string> = {
  park: 'Parking lamps',
  brake: 'Brake',
  left: 'Left turn',
  right: 'Right turn',
  hazard: 'Hazards',
  reverse: 'Reverse',
};

/** Which function shows what a check asks for. */
export const FUNCTION_OF: Readonly<Record<string, LampFunction>> = {
  'lamp-tail': 'park',
  'lamp-clearance-rear': 'park',
  'lamp-plate': 'park',
  'lamp-ident': 'park',
  'lamp-marker': 'park',
  'lamp-clearance-front': 'park',
  'lamp-brake': 'brake',
  'lamp-turn-left': 'left',
  'lamp-turn-right': 'right',
  'lamp-hazard': 'hazard',
  'lamp-reverse': 'reverse',
};

interface Lamp {
  id: string;
  check: string;
  side: 'left' | 'right' | 'middle';
  x: number;
  y: number;
  r: number;
  colour: Look;
  by: readonly LampFunction[];
}

const pair = (check: string, x: number, y: number, r: number, colour: Look, by: readonly LampFunction[]): Lamp[] => [
  { id: `${check} left`, check, side: 'left', x, y, r, colour, by },
  { id: `${check} right`, check, side: 'right', x: 360 - x, y, r, colour, by },
];

/** The rear of a trailer as it is seen from behind: left is its left. */
const LAMPS: readonly Lamp[] = [
  ...pair('lamp-tail', 62, 176, 13, 'red', ['park']),
  ...pair('lamp-brake', 92, 176, 13, 'red', ['brake']),
  {
    id: 'lamp-turn-left left',
    check: 'lamp-turn-left',
    side: 'left',
    x: 36,
    y: 176,
    r: 10,
    colour: 'amber',
    by: ['left', 'hazard'],
  },
  {
    id: 'lamp-turn-right right',
    check: 'lamp-turn-right',
    side: 'right',
    x: 324,
    y: 176,
    r: 10,
    colour: 'amber',
    by: ['right', 'hazard'],
  },
  ...pair('lamp-reverse', 120, 176, 9, 'white', ['reverse']),
  ...pair('lamp-clearance-rear', 40, 38, 7, 'red', ['park']),
  ...[166, 180, 194].map(
    (x, nth): Lamp => ({
      id: `lamp-ident ${nth + 1}`,
      check: 'lamp-ident',
      side: 'middle',
      x,
      y: 38,
      r: 5,
      colour: 'red',
      by: ['park'],
    }),
  ),
  { id: 'lamp-plate middle', check: 'lamp-plate', side: 'middle', x: 180, y: 186, r: 6, colour: 'white', by: ['park'] },
];

export interface LampsScene {
  kind: 'lamps';
  check: string;
  /** What is wrong with lamps, by check and side. */
  wrong: readonly { check: string; side: 'left' | 'right' | 'both' | 'middle' | null; code: string }[];
}

const wrongAt = ({ wrong }: LampsScene, lamp: Lamp): string | null =>
  wrong.find(
    ({ check, side }) =>
      (check === lamp.check || (check === 'lamp-hazard' && lamp.check.startsWith('lamp-turn'))) &&
      (side === null || side === 'both' || side === lamp.side),
  )?.code ?? null;

/** The lamps of a trailer's rear, lit by one function of the plug. */
export function drawLamps(scene: LampsScene, on: LampFunction | null): Drawing {
  const seen: string[] = [];
  const lamps = LAMPS.flatMap((lamp): Shape[] => {
    const wrong = wrongAt(scene, lamp);
    const lit = on !== null && lamp.by.includes(on) && !/-(out|none)$/.test(wrong ?? '');
    const colour = wrong === 'lamp-colour' ? (lamp.colour === 'white' ? 'amber' : 'white') : lamp.colour;
    if (on !== null && lamp.by.includes(on))
      seen.push(
        `${lamp.id.replace('lamp-', '').replaceAll('-', ' ')}: ${lit ? `lit, ${colour}` : 'dark'}${wrong === 'lens-broken' ? ', its glass broken' : ''}`,
      );
    return [
      ...(lit ? [circle(lamp.x, lamp.y, lamp.r + 8, colour, { opacity: 0.3 })] : []),
      circle(lamp.x, lamp.y, lamp.r, lit ? colour : 'soft', {
        stroke: 'ink',
        width: 2,
        mark: `${lit ? 'lit' : 'dark'} ${lamp.id}`,
      }),
      ...(wrong === 'lens-broken'
        ? [
            line(lamp.x - lamp.r, lamp.y - 3, lamp.x + 2, lamp.y + lamp.r, 'ink', 1.6, `broken ${lamp.id}`),
            line(lamp.x - 2, lamp.y - lamp.r, lamp.x + lamp.r, lamp.y + 3, 'ink', 1.6),
          ]
        : []),
    ];
  });
  const body = [
    rect(24, 24, 312, 138, 'paper', { stroke: 'ink', width: 2.5, r: 4 }),
    line(180, 24, 180, 162, 'edge', 2),
    rect(20, 162, 320, 30, 'metal', { stroke: 'ink', width: 2, r: 4 }),
    rect(156, 192, 48, 18, 'white', { stroke: 'ink' }),
    rect(56, 198, 34, 36, 'rubber', { r: 6 }),
    rect(270, 198, 34, 36, 'rubber', { r: 6 }),
    text(60, 58, 'left', { size: 11, fill: 'soft' }),
    text(300, 58, 'right', { size: 11, fill: 'soft' }),
  ];
  return drawing(
    [...body, ...lamps],
    on === null ? 'The rear of the trailer. No switch is on.' : `${LAMP_FUNCTION_WORDS[on]} on. ${seen.join('. ')}.`,
  );
}
