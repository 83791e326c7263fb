import { checkEntry } from '../../../catalogue';
import { kindAs, readingText, type Step } from '../../../reading';
import { isNight } from '../settings';
import { endAt, trueReading } from '../truth';
import type { MadeUpUnit } from '../vehicle';
import { drawGlass, type GlassScene } from './glass';
import { drawLamps, FUNCTION_OF, LAMP_FUNCTION_WORDS, LAMP_FUNCTIONS, type LampsScene } from './lamps';
import { drawLook, type LookScene } from './look';
import {
  type DialScene,
  drawDial,
  drawLining,
  drawRule,
  drawStroke,
  drawTread,
  type LiningScene,
  type RuleScene,
  type StrokeScene,
  type TreadScene,
} from './measured';
import {
  type BoltsScene,
  type DualsScene,
  drawBolts,
  drawDuals,
  drawPins,
  drawTap,
  drawWords,
  type PinsScene,
  type TapScene,
  type WordsScene,
} from './seen';
import { type Drawing, rect } from './shape';
import type { Control, View } from './view';

/** What stands at a station, as far as it can be seen. */
export type Scene =
  | StrokeScene
  | LiningScene
  | TreadScene
  | DialScene
  | RuleScene
  | GlassScene
  | BoltsScene
  | DualsScene
  | LookScene
  | LampsScene
  | PinsScene
  | TapScene
  | WordsScene;

/** Draws a station as somebody looks at it: without a lamp at night next to nothing is seen. */
export function draw(scene: Scene, view: View): Drawing {
  const seen = drawn(scene, view);
  if (view.light || scene.kind === 'jaws') return seen;
  const night = rect(0, 0, seen.width, seen.height, 'night', { opacity: 0.94, mark: 'dark' });
  return { ...seen, shapes: [...seen.shapes, night], words: 'Too dark to see: bring a flashlight.' };
}

function drawn(scene: Scene, view: View): Drawing {
  switch (scene.kind) {
    case 'stroke':
      return drawStroke(scene, view);
    case 'lining':
      return drawLining(scene, view);
    case 'tread':
      return drawTread(scene, view);
    case 'dial':
      return drawDial(scene, view);
    case 'rule':
      return drawRule(scene, view);
    case 'glass':
      return drawGlass(scene, view);
    case 'bolts':
      return drawBolts(scene, view);
    case 'duals':
      return drawDuals(scene, view);
    case 'lamps':
      return drawLamps(scene, view.lamps);
    case 'pins':
      return drawPins(scene, view);
    case 'tap':
      return drawTap(scene, view);
    case 'words':
      return drawWords(scene, view);
    default:
      return drawLook(scene, view);
  }
}

const DRUM_PLACES = ['Upper shoe, outer end', 'Upper shoe, far side', 'Lower shoe, outer end', 'Lower shoe, far side'];
const DISC_PLACES = ['Outer pad', 'Inner pad'];
const TURN = ['First spot around the tire', 'Second spot', 'Third spot'];

/** A tyre under a hammer: full it rings, soft it rings nearly alike, flat it thuds. */
const tyreSound = (psi: number) => ({ hertz: psi > 60 ? 96 : 60, seconds: psi > 60 ? 0.42 : 0.08 });

const rule = (
  name: string,
  value: number,
  unit: string,
  parts: number,
  from: number,
  to: number,
  more: Partial<RuleScene> = {},
): RuleScene => ({
  kind: 'rule',
  name,
  value,
  unit,
  parts,
  from,
  to,
  each: 1,
  others: [],
  places: [],
  ...more,
});

/** What can be seen by a check at an axle end. */
function lookAtEnd(check: string, codes: readonly string[], hub: GlassScene): Scene | null {
  const own = codes.filter((code) => checkEntry(check)?.signs.some((sign) => sign.code === code));
  if (check === 'brake-hose') return { kind: 'hose', codes: own };
  if (check === 'spring') return { kind: 'spring', codes: own };
  if (check === 'air-bag') return { kind: 'air-bag', codes: own };
  if (check === 'drum-look') return { kind: 'drum', codes: own };
  return check === 'hub-look' ? hub : null;
}

/** What a kind without a drawing of its own shows in words: its reading. */
function readInWords(made: MadeUpUnit, step: Step): WordsScene {
  const read = trueReading(made.truth, step, 0);
  if (read?.kind === 'own-check') {
    const measured = read.value === undefined ? [] : [`It measures ${read.value}`];
    return {
      kind: 'words',
      name: read.check,
      lines: [...(read.found.length ? read.found : ['Nothing wrong to be seen']), ...measured],
    };
  }
  return { kind: 'words', name: kindAs(step.kind).words, lines: read ? [readingText(read)] : [] };
}

/** What a check shows in words: its signs where they are there, else what good looks like. */
function inWords(check: string, codes: readonly string[]): WordsScene {
  const entry = checkEntry(check);
  const signs = entry?.signs.filter(({ code }) => codes.includes(code)).map(({ sign }) => sign) ?? [];
  return { kind: 'words', name: entry?.name ?? check, lines: signs.length ? signs : [entry?.good ?? ''] };
}

function atEnd(made: MadeUpUnit, step: Step & { axle: number; side: 'left' | 'right' }): Scene {
  const { truth, fitted } = made;
  const end = endAt(truth, step.axle, step.side);
  const glass: GlassScene = {
    kind: 'glass',
    hub: end.hub,
    stain: end.stain,
    glass: fitted.axles[step.axle - 1]?.hub === 'oil',
  };
  const tyre = step.tyre ? end.tyres[step.tyre] : undefined;
  const released16 = 16 + ((end.axle * 5 + (end.side === 'left' ? 3 : 0)) % 9);
  switch (step.kind) {
    case 'stroke-applied':
      return { kind: 'stroke', released16, stroke16: end.stroke16, by: 'air' };
    case 'stroke-free':
      return { kind: 'stroke', released16, stroke16: end.free16, by: 'bar' };
    case 'lining': {
      const places = end.lining32.length > 2 ? DRUM_PLACES : DISC_PLACES;
      return { kind: 'lining', points32: end.lining32, places, look: end.codes };
    }
    case 'tread':
      return {
        kind: 'tread',
        grooves32: tyre?.grooves ?? [],
        cord: end.codes.includes('tyre-cord') && (tyre?.grooves.flat() ?? []).includes(0),
      };
    case 'pressure':
      return { kind: 'dial', name: 'Tire gauge', psi: tyre?.psi ?? 0, after: null, minutes: 0 };
    case 'hub-oil':
      return glass;
    case 'wheel-nuts':
      return { kind: 'bolts', holes: end.holes, loose: end.loose, missing: end.missing, rust: end.rust };
    case 'dual':
      return { kind: 'duals', touching: end.touching, codes: end.codes };
    case 'drum':
      return rule('Drum, inside', end.drum32 / 32, 'in', 32, 16, 17);
    case 'rotor':
      return rule('Rotor', end.rotorMm2 / 2, 'mm', 2, 30, 50, { each: 5 });
    case 'end-play':
      return rule('Dial on the hub', end.play1000, '1/1000 in', 1, 0, 20, { each: 5 });
    case 'scribe-marks':
      return rule('Scribe mark', end.stroke16 > 30 ? 4 : 1, '1/32 in', 1, 0, 8, {
        others: [1],
        places: ['Upper lining', 'Lower lining'],
      });
    case 'check': {
      const check = step.item ?? '';
      if (check === 'tyre-thump')
        return {
          kind: 'tap',
          what: 'Tires',
          sounds: Object.entries(end.tyres).map(([name, { psi }]) => ({ name: `${name} tire`, sound: tyreSound(psi) })),
        };
      if (check === 'u-bolts') {
        const loose = end.codes.some((code) => code === 'u-bolt-ring' || code === 'u-bolt-loose');
        const others = end.codes.filter((code) => code === 'alignment-bolt-turned' || code === 'axle-shifted');
        if (others.length) return inWords(check, end.codes);
        return {
          kind: 'tap',
          what: 'U-bolts',
          sounds: ['front', 'rear'].map((name, nth) => ({
            name: `${name} U-bolt`,
            sound: { hertz: 180, seconds: loose && nth ? 0.06 : 0.5 },
          })),
        };
      }
      return lookAtEnd(check, end.codes, glass) ?? inWords(check, end.codes);
    }
    default:
      return readInWords(made, step);
  }
}

const airDial = (name: string, [psi, after]: readonly [number, number], minutes: number): DialScene => ({
  kind: 'dial',
  name,
  psi,
  after,
  minutes,
});

function airScene({ truth: { air } }: MadeUpUnit, item: string): Scene {
  if (item === 'leak-released') return airDial('Reservoir, released', air.released, 1);
  if (item === 'leak-applied') return airDial('Reservoir, applied', air.applied, 1);
  if (item === 'suspension-leak') return airDial('Air suspension', air.suspension, 5);
  if (item === 'governor')
    return { kind: 'dial', name: 'Governor: out, then in', psi: air.cutOut, after: air.cutIn, minutes: 0 };
  if (item === 'low-air') return { kind: 'dial', name: 'The warning comes', psi: air.lowAir, after: null, minutes: 0 };
  if (item === 'spring-brake')
    return { kind: 'dial', name: 'The valves pop', psi: air.springBrake, after: null, minutes: 0 };
  return { kind: 'words', name: 'From 85 to 100 psi', lines: [`The watch shows ${air.buildUp} s`] };
}

function atUnit(made: MadeUpUnit, step: Step): Scene {
  const { truth } = made;
  const check = step.item ?? '';
  const codes = truth.seen.filter((each) => each.check === check).map(({ code }) => code);
  if (step.kind === 'king-pin')
    return rule('Kingpin', truth.pin64[0] / 64, 'in', 64, 1.75, 2, {
      each: 0.125,
      others: [truth.pin64[1] / 64],
      places: ['Along', 'Across'],
    });
  if (step.kind === 'mud-flap')
    return rule('From the ground', (truth.flap4[step.side ?? 'left'] ?? 0) / 4, 'in', 4, 0, 14, { each: 2 });
  if (step.kind === 'guard-height')
    return rule(`From the ground, built ${truth.built}`, truth.guard2 / 2, 'in', 4, 0, 40, { each: 4 });
  if (step.kind === 'wheel-play') return rule('At the rim', truth.playWheel8 / 8, 'in', 8, 0, 7);
  if (step.kind === 'slider-pins') return { kind: 'pins', ...truth.pins };
  if (step.kind === 'air-test') return airScene(made, check);
  if (step.kind !== 'check') return readInWords(made, step);
  if (FUNCTION_OF[check])
    return {
      kind: 'lamps',
      check,
      wrong: truth.seen
        .filter((each) => each.check.startsWith('lamp-'))
        .map((each) => ({ check: each.check, side: each.on ?? null, code: each.code })),
    };
  if (check === 'jaws' || check === 'plate-gap')
    return {
      kind: 'jaws',
      codes: truth.seen.filter((each) => each.check === 'jaws' || each.check === 'plate-gap').map(({ code }) => code),
    };
  if (check === 'front-hoses' || check === 'hose-keepers') return { kind: 'hose', codes };
  return inWords(check, codes);
}

/** What stands at a step of the route. */
export const sceneOf = (made: MadeUpUnit, step: Step): Scene =>
  step.axle && step.side ? atEnd(made, { ...step, axle: step.axle, side: step.side }) : atUnit(made, step);

const HAS_SCALE = new Set<Scene['kind']>(['stroke', 'lining', 'tread', 'dial', 'rule']);

/** What may be done at a station, by what stands there and the level. */
export function controlsOf(scene: Scene, level: number): Control[] {
  const night = isNight(level);
  const own: Control[] = [];
  if (scene.kind === 'stroke')
    own.push(
      scene.by === 'bar'
        ? { does: 'toggle', of: 'applied', on: 'Let the bar go', off: 'Pull with the bar' }
        : { does: 'toggle', of: 'applied', on: 'Release the brake', off: 'Apply the brake' },
    );
  if (scene.kind === 'lining') own.push({ does: 'choose', of: 'place', label: 'Shoe or pad', options: scene.places });
  if (scene.kind === 'tread')
    own.push(
      { does: 'choose', of: 'place', label: 'Spot', options: TURN.slice(0, scene.grooves32.length) },
      {
        does: 'choose',
        of: 'groove',
        label: 'Groove, from the inside',
        options: (scene.grooves32[0] ?? []).map((_, nth) => String(nth + 1)),
      },
    );
  if (scene.kind === 'rule' && scene.places.length)
    own.push({ does: 'choose', of: 'place', label: 'Where', options: scene.places });
  if (scene.kind === 'dial' && scene.after !== null)
    own.push({
      does: 'toggle',
      of: 'after',
      on: 'Back to the start',
      off: scene.minutes ? `Watch it for ${scene.minutes} min` : 'Fan it down until it cuts in',
    });
  if (scene.kind === 'lamps')
    own.push({
      does: 'choose',
      of: 'lamps',
      label: 'Switch of the plug',
      options: LAMP_FUNCTIONS.map((value) => ({ value, label: LAMP_FUNCTION_WORDS[value] })),
    });
  if (scene.kind === 'tap')
    own.push(
      { does: 'choose', of: 'place', label: 'Which', options: scene.sounds.map(({ name }) => name) },
      { does: 'toggle', of: 'tapped', on: 'Tap it again', off: 'Tap it with the hammer' },
    );
  if (scene.kind === 'glass' && (scene.stain || night))
    own.push({ does: 'toggle', of: 'wiped', on: 'It is wiped', off: 'Wipe the glass' });
  if (HAS_SCALE.has(scene.kind) && night)
    own.push(
      { does: 'toggle', of: 'wiped', on: 'It is wiped', off: 'Wipe the scale' },
      { does: 'step', of: 'eye', label: 'The eye', least: -3, most: 3 },
    );
  if (scene.kind === 'jaws' || night) own.push({ does: 'toggle', of: 'light', on: 'Lamp away', off: 'Bring a lamp' });
  return own;
}

/** How one looks at a station first: a dark place is dark by day too, a dirty glass is dirty. */
export function firstLook(scene: Scene, view: View): View {
  if (scene.kind === 'jaws') return { ...view, light: false };
  return scene.kind === 'glass' && scene.stain ? { ...view, wiped: false } : view;
}
