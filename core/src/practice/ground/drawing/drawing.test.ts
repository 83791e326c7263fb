import fc from 'fast-check';
import { ROUTES } from '../../../inspection';
import { HUB_LEVELS } from '../../../reading';
import { levelsOf, makeUp, vehiclesOf } from '../make';
import { PRACTICE_ROUTES } from '../settings';
import { ADD_Y, FULL_Y } from './glass';
import { LAMP_FUNCTIONS } from './lamps';
import { countOf, divisionOf, heightOf, numbersOf, readDial, readScale } from './read-back';
import { controlsOf, draw, type Scene, sceneOf } from './scene';
import { firstView } from './view';

const MOST_ELEMENTS = 400;
const DAY = firstView(false);

/** Reads a scale back and holds it against the truth, within half a division. */
function holds(scene: Scene, truth: number, view = DAY): void {
  const drawing = draw(scene, view);
  expect(Math.abs(readScale(drawing) - truth)).toBeLessThan(divisionOf(drawing) / 2);
}

test('a stroke on the rule reads what it is, released and applied, by air and by bar', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 8, max: 32 }),
      fc.integer({ min: 0, max: 46 }),
      fc.constantFrom('air', 'bar'),
      (released16, stroke16, by) => {
        const scene = { kind: 'stroke', released16, stroke16, by } as const;
        holds(scene, released16 / 16);
        holds(scene, (released16 + stroke16) / 16, { ...DAY, applied: true });
      },
    ),
  );
});

test('lining, tread and what lies between the jaws of a rule read what they are', () => {
  for (let n = 0; n <= 32; n++) holds({ kind: 'lining', points32: [n], places: ['here'], look: [] }, n / 32);
  for (let n = 0; n <= 20; n++)
    for (const groove of [0, 3])
      holds({ kind: 'tread', grooves32: [[n, 1, 2, n]], cord: false }, n, { ...DAY, groove });
  fc.assert(
    fc.property(fc.constantFrom(1, 2, 4, 8, 16, 32, 64), fc.nat(40), fc.nat(200), (parts, from, count) => {
      const value = from + (count % (parts * 3)) / parts;
      holds(
        { kind: 'rule', name: 'x', value, unit: 'in', parts, from, to: from + 3, each: 1, others: [], places: [] },
        value,
      );
    }),
  );
});

test('a needle reads what it is, before and after its time', () => {
  for (let psi = 0; psi <= 160; psi++) {
    const scene = { kind: 'dial', name: 'x', psi, after: 160 - psi, minutes: 1 } as const;
    expect(Math.abs(readDial(draw(scene, DAY)) - psi)).toBeLessThan(1);
    expect(Math.abs(readDial(draw(scene, { ...DAY, after: true })) - (160 - psi))).toBeLessThan(1);
  }
});

test('an eye that is not square on reads beside it, and the sight lines say so', () => {
  const scene = { kind: 'lining', points32: [12], places: ['here'], look: [] } as const;
  for (const eye of [-3, -2, 2, 3]) {
    const drawing = draw(scene, { ...DAY, sighted: true, eye });
    expect(Math.abs(readScale(drawing) - 12 / 32)).toBeGreaterThan(divisionOf(drawing) / 2);
    expect(drawing.words).toContain('do not meet');
  }
});

test('oil stands in the glass where its level is, and dirt hides it until it is wiped', () => {
  for (const level of HUB_LEVELS) {
    if (level === 'unreadable') continue;
    const scene = {
      kind: 'glass',
      hub: { level, condition: 'clear', leak: 'none' },
      stain: null,
      glass: true,
    } as const;
    const y = heightOf(draw(scene, DAY), 'level');
    if (level === 'empty') expect(y).toBeNaN();
    if (level === 'between') expect(y > FULL_Y && y < ADD_Y).toBe(true);
    if (level === 'full') expect(y).toBe(FULL_Y);
    if (level === 'at-add') expect(y).toBe(ADD_Y);
    if (level === 'above-full') expect(y).toBeLessThan(FULL_Y);
    if (level === 'below-add') expect(y).toBeGreaterThan(ADD_Y);
    const oil = draw(scene, DAY).shapes.find(({ mark }) => mark === 'oil');
    // Below the middle less than half of the glass is full: the oil stays within it.
    if (oil?.shape === 'path') expect(oil.d).toContain(y < 104 ? '0 1 0' : '0 0 0');
  }
  const dirty = { kind: 'glass', hub: { level: 'empty', leak: 'none' }, stain: 'between', glass: true } as const;
  expect(countOf(draw(dirty, { ...DAY, wiped: false }), 'stain')).toBe(1);
  expect(countOf(draw(dirty, DAY), 'stain')).toBe(0);
});

test('nuts are loose, gone and rusty where they are', () => {
  const some = fc
    .uniqueArray(fc.integer({ min: 1, max: 10 }), { maxLength: 4 })
    .map((all) => all.sort((a, b) => a - b));
  fc.assert(
    fc.property(some, some, some, (loose, missing, rust) => {
      const own = loose.filter((each) => !missing.includes(each));
      const drawing = draw({ kind: 'bolts', holes: 10, loose: own, missing, rust }, DAY);
      expect([numbersOf(drawing, 'loose'), numbersOf(drawing, 'missing'), numbersOf(drawing, 'rust')]).toEqual([
        own,
        missing,
        rust,
      ]);
      expect(numbersOf(drawing, 'nut')).toHaveLength(10 - missing.length);
    }),
  );
});

test('a switch of the plug lights its lamps alone, and what is out stays dark', () => {
  for (const on of LAMP_FUNCTIONS) {
    const good = draw({ kind: 'lamps', check: 'lamp-tail', wrong: [] }, { ...DAY, lamps: on });
    const lit = good.shapes.filter(({ mark }) => mark?.startsWith('lit ')).length;
    expect(lit).toBe({ park: 8, brake: 2, left: 1, right: 1, hazard: 2, reverse: 2 }[on]);
  }
  const wrong = [{ check: 'lamp-brake', side: 'left', code: 'lamp-stop-out' }] as const;
  const brake = draw({ kind: 'lamps', check: 'lamp-brake', wrong }, { ...DAY, lamps: 'brake' });
  expect([countOf(brake, 'dark lamp-brake left'), countOf(brake, 'lit lamp-brake right')]).toEqual([1, 1]);
});

test('tires of a dual touch or stand apart, pins are in or out, jaws are seen with a lamp alone', () => {
  const edge = (touching: boolean) => {
    const { shapes } = draw({ kind: 'duals', touching, codes: [] }, DAY);
    const [inner, outer] = ['inner', 'outer'].map((mark) => shapes.find((each) => each.mark === mark));
    if (inner?.shape !== 'rect' || outer?.shape !== 'rect') throw new Error('no tires');
    return outer.x - (inner.x + inner.w);
  };
  expect(edge(true)).toBeLessThanOrEqual(0);
  expect(edge(false)).toBeGreaterThan(10);
  const pins = draw({ kind: 'pins', pins: 4, seated: 3 }, DAY);
  expect([countOf(pins, 'seated'), countOf(pins, 'out')]).toEqual([3, 1]);
  const jaws = { kind: 'jaws', codes: ['jaws-open'] } as const;
  expect(countOf(draw(jaws, { ...DAY, light: false }), 'dark')).toBe(1);
  expect(draw(jaws, { ...DAY, light: false }).words).not.toContain('open');
  expect(draw(jaws, DAY).words).toContain('open');
});

test('each sign of a drawn part is drawn, and said', () => {
  const looks: [Scene['kind'], string, string][] = [
    ['hose', 'brake-hose-chafed', 'rubbed'],
    ['hose', 'brake-hose-bulged', 'bulge'],
    ['spring', 'leaf-broken', 'break'],
    ['spring', 'main-leaf-broken', 'break'],
    ['spring', 'leaf-shifted', 'shifted'],
    ['spring', 'joint-rust', 'bleeds'],
    ['air-bag', 'air-bag-flat', 'flat'],
    ['air-bag', 'air-bag-crinkled', 'crinkle'],
    ['air-bag', 'air-bag-cord', 'cord'],
    ['air-bag', 'air-bag-body-down', 'down'],
    ['air-bag', 'ride-valve', 'bent'],
    ['drum', 'drum-blue', 'blue'],
    ['drum', 'drum-cracked', 'crack'],
    ['drum', 'extinguisher-powder', 'powder'],
    ['drum', 'metal-on-metal', 'scored'],
    ['jaws', 'plate-gap', 'daylight'],
  ];
  for (const [kind, code, mark] of looks) {
    const good = draw({ kind, codes: [] } as unknown as Scene, DAY);
    const bad = draw({ kind, codes: [code] } as unknown as Scene, DAY);
    expect([code, countOf(good, mark), countOf(bad, mark) > 0]).toEqual([code, 0, true]);
    expect(bad.words).not.toBe(good.words);
  }
});

test('a tapped tire leaves a trace that rings on where it is full, and dies where it is flat', () => {
  const trace = (seconds: number) => {
    const scene = { kind: 'tap', what: 'Tires', sounds: [{ name: 'tyre', sound: { hertz: 90, seconds } }] } as const;
    const found = draw(scene, { ...DAY, tapped: true }).shapes.find(({ mark }) => mark === 'trace');
    const heights = [...((found as { d?: string }).d ?? '').matchAll(/ (-?[\d.]+)/g)].map(([, y]) =>
      Math.abs(Number(y) - 120),
    );
    return Math.max(...heights.slice(80));
  };
  expect(trace(0.42)).toBeGreaterThan(10);
  expect(trace(0.08)).toBeLessThan(2);
});

test('every step of every route has a station of at most four hundred parts, with words, that can be worked', () => {
  const big: string[] = [];
  for (const route of [...PRACTICE_ROUTES, ...ROUTES])
    for (const vehicle of vehiclesOf(route)) {
      const level = levelsOf(route).at(-1) ?? 1;
      for (const made of makeUp(5, level, route, vehicle).units)
        for (const step of made.steps) {
          const scene = sceneOf(made, step);
          for (const view of [DAY, { ...firstView(true), applied: true, tapped: true, lamps: 'park' as const }]) {
            const { shapes, words } = draw(scene, view);
            if (shapes.length > MOST_ELEMENTS || words.length < 5)
              big.push(`${step.kind} ${step.item}: ${shapes.length} ${words}`);
          }
          for (const control of controlsOf(scene, level))
            if (control.does === 'choose' && control.options.length === 0) big.push(`${step.kind}: nothing to choose`);
        }
    }
  expect(big).toEqual([]);
});
