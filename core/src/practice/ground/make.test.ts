import { CATALOGUE } from '../../catalogue';
import { ROUTES } from '../../inspection';
import { compareVerdicts, judge, worst } from '../../judge';
import { contradiction, implausible, keyOf, readingKey, readingSchema } from '../../reading';
import { judged, judgedTruth, levelsOf, makeUp, seeming, trueReadings, vehiclesOf } from './make';
import { EXCLUSIVE, LEVELS, PRACTICE_ROUTES } from './settings';
import { isHidden, signsOf } from './signs';
import { KINDS, type MadeUp, VEHICLES, type Vehicle } from './vehicle';

const ALL = [...PRACTICE_ROUTES, ...ROUTES];
const cases = ALL.flatMap((route) =>
  vehiclesOf(route).flatMap((vehicle) => levelsOf(route).map((level) => ({ route, vehicle, level }))),
);

/** Every kind of made-up vehicle, a few seeds of each. */
function* made(seeds: number): Generator<MadeUp & { vehicle: Vehicle }> {
  for (const { route, vehicle, level } of cases)
    for (let seed = 1; seed <= seeds; seed++) yield { ...makeUp(seed, level, route, vehicle), vehicle };
}

test('the same seed makes the same one, another seed another', () => {
  const [route] = PRACTICE_ROUTES;
  if (!route) throw new Error('no route');
  expect(makeUp(7, 2, route)).toEqual(makeUp(7, 2, route));
  expect(makeUp(7, 2, route)).not.toEqual(makeUp(8, 2, route));
});

test('every vehicle is practiced by some route', () => {
  for (const vehicle of VEHICLES) expect(ALL.some((route) => vehiclesOf(route).includes(vehicle))).toBe(true);
});

test('what is read of it are readings a person could take: of their shape, of one mind, plausible', () => {
  const odd: unknown[] = [];
  for (const each of made(1))
    for (const { unit: _, ...reading } of trueReadings(each)) {
      const shape = readingSchema.safeParse(reading).error?.issues;
      const against = contradiction(reading as never) ?? implausible(reading as never);
      if (shape || against) odd.push([reading, shape ?? against]);
    }
  expect(odd).toEqual([]);
});

test('its truth, judged, is what its level promises', () => {
  for (const each of made(3)) {
    const { verdict, byCountAlone, answer } = judgedTruth(each);
    const level = LEVELS.find(({ id }) => id === each.level);
    const [least, most] = level?.faults ?? [0, 0];
    if (each.hidden.length === 0) {
      expect(verdict).toBe('within');
      expect(level?.clean).toBeGreaterThan(0);
      continue;
    }
    if (each.level === 3) {
      expect(byCountAlone).toBe(true);
      expect(answer.findings.every((finding) => finding.verdict !== 'out-of-service')).toBe(true);
      continue;
    }
    expect(each.hidden.length).toBeGreaterThanOrEqual(Math.min(1, least));
    expect(each.hidden.length).toBeLessThanOrEqual(most);
    expect(compareVerdicts(verdict, 'within')).toBeLessThan(0);
    expect(promiseKept(each)).toBe(true);
  }
});

/** Whether the truth, judged, is as grave as the gravest promise of what was hidden, and graver only by the brake count. */
function promiseKept(each: MadeUp): boolean {
  const { verdict, byCountAlone } = judgedTruth(each);
  const promised = (of: 'least' | 'worst') => worst(each.hidden.map((fault) => fault.promised[of]));
  const isEnough = compareVerdicts(verdict, promised('least')) <= 0;
  return isEnough && (byCountAlone || compareVerdicts(promised('worst'), verdict) <= 0);
}

test('each fault by itself is judged what was promised of it before anything was judged', () => {
  const broken = new Set<string>();
  for (const { route, vehicle } of cases.filter(({ level }) => level === 1))
    for (let seed = 1; seed <= 120; seed++) {
      const each = makeUp(seed, 1, route, vehicle);
      if (!promiseKept(each)) broken.add(each.hidden.map(({ id }) => id).join());
    }
  expect([...broken]).toEqual([]);
});

test('what is wrong was hidden, and what was hidden is wrong: nothing else is past a limit', () => {
  for (const each of made(2)) {
    const readings = trueReadings(each);
    const answer = judge({ book: 'na', units: each.units.map(({ fitted }) => fitted), readings });
    const bad = answer.findings.filter(({ verdict }) => verdict !== 'within' && verdict !== 'not-judged');
    const ends = new Set(each.hidden.map(({ unit, axle, side }) => `${unit} ${axle} ${side}`));
    for (const { unit, axle, side, kind } of bad) {
      if (side === null && axle !== null)
        expect(each.hidden.some((fault) => fault.unit === unit && fault.axle === axle)).toBe(true);
      else if (kind === 'mud-flap') expect(ends).toContain(`${unit} null null`);
      else expect(ends).toContain(`${unit} ${axle} ${side}`);
    }
    for (const fault of each.hidden) {
      const here = readings.filter(
        (reading) => reading.unit === fault.unit && fault.keys.includes(readingKey(reading)),
      );
      expect(here.length).toBeGreaterThan(0);
    }
  }
});

test('no two facts of one place exclude each other, and what belongs together stands together', () => {
  for (const each of made(2))
    for (const { truth } of each.units)
      for (const end of truth.ends) {
        for (const group of EXCLUSIVE) expect(group.filter((code) => end.codes.includes(code)).length).toBeLessThan(2);
        if (end.codes.includes('lining-oil')) {
          expect(end.hub.leak).toBe('onto-lining');
          expect(end.codes).toContain('wheel-inside-wet');
          if (end.hub.level) expect(end.hub.level).not.toBe('between');
        }
        if (end.codes.includes('brake-dragging')) {
          expect(end.hub.heat).toBe('hot');
          expect(end.free16).toBeLessThan(6);
        }
      }
});

test('what deceives reads better than it is, and is found out by looking as one should', () => {
  let deceived = 0;
  for (const each of made(4)) {
    if (each.level < 4 || !each.hidden.some(({ foundOut }) => foundOut)) continue;
    deceived++;
    const others = { ...each, hidden: each.hidden.filter(({ foundOut }) => foundOut) };
    const paper = each.units.map(({ unit }) => unit);
    const worse = judgedTruth(each);
    const seems = judged(paper, seeming(others));
    expect(seems.findings.filter(({ verdict }) => verdict !== 'within').length).toBeLessThan(
      worse.findings.filter(({ verdict }) => verdict !== 'within').length,
    );
  }
  expect(deceived).toBeGreaterThan(20);
});

test('every code of the catalog that is a fault, and is a sign of some check, is hidden sooner or later', () => {
  const seen = new Set<string>();
  const practised = new Set(Object.values(KINDS).flat());
  const walked = new Set(
    ALL.flatMap(({ sections }) => sections.flatMap(({ asks }) => asks))
      .filter(({ kinds }) => !kinds || kinds.some((kind) => practised.has(kind)))
      .map(({ item }) => item ?? ''),
  );
  const wanted = CATALOGUE.map(({ code }) => code).filter(
    (code) => isHidden(code) && [...walked].some((check) => signsOf(check, [code]).length > 0),
  );
  // Seeds in a row hide one fault after another first.
  const plain = cases.filter(({ route, level }) => level === 1 && /^(full|walk-)/.test(route.id));
  const deep = cases.filter(
    ({ route, level, vehicle }) => (level === 2 || level === 4) && route.id === 'full' && vehicle === 'trailer',
  );
  for (let round = 0; round < 1_000 && wanted.some((code) => !seen.has(code)); round++)
    for (const { route, vehicle, level } of [...plain, ...deep])
      for (const { truth } of makeUp(round, level, route, vehicle).units) {
        for (const { codes } of truth.ends) for (const code of codes) seen.add(code);
        for (const { code } of truth.seen) seen.add(code);
      }
  expect(wanted.filter((code) => !seen.has(code))).toEqual([]);
  expect(wanted.length).toBeGreaterThan(150);
});

test('a step is asked once, and each has its true reading', () => {
  for (const each of made(1))
    for (const { steps } of each.units) expect(new Set(steps.map(keyOf)).size).toBe(steps.length);
});
