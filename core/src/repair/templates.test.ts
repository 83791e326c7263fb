import fc from 'fast-check';
import { CATALOGUE } from '../catalogue';
import { QUALIFICATIONS, SKILLS } from '../people';
import { keyOf, READING_KINDS } from '../reading';
import { AXLE } from '../testing';
import { BRAKE_KINDS, SIDES } from '../trailer';
import { toRemeasure } from './remeasure';
import { jobOf, SET_UPS, TEMPLATES, templateFor, templateSchema, workFor } from './templates';
import { starOrder } from './torque';

const AXLES = [AXLE, AXLE, AXLE];
const template = (id: string) => {
  const found = TEMPLATES.find((each) => each.id === id);
  if (!found) throw new Error(`no template ${id}`);
  return found;
};
const left = { axle: 1, side: 'left' } as const;
const right = { axle: 1, side: 'right' } as const;

const KNOWN = new Set([
  ...CATALOGUE.map(({ code }) => code),
  ...READING_KINDS,
  'dual-tread',
  'dual-pair',
  'dual-pressure',
  'chamber-match',
  'adjuster-match',
  'wheel-temperature-apart',
]);

/** What no shop repairs: papers are fetched, a driver clears the way, and who says “something” says what first. */
const NO_WORK = new Set([
  'other',
  'other-end',
  'drips',
  'way-not-clear',
  'not-chocked',
  'load-loose',
  'overweight',
  'height-not-known',
]);

test('whatever the catalog names is somebody’s work, papers and what a driver clears away excepted', () => {
  const answered = new Set(TEMPLATES.flatMap(({ answers }) => answers));
  const left = CATALOGUE.filter(({ code, part }) => part !== 'papers' && !answered.has(code) && !NO_WORK.has(code));
  expect(left.map(({ code }) => code)).toEqual(['extinguisher-powder']);
});

test('a long stroke on a manual adjuster is adjusted, both ends of the axle; on an automatic one its cause is found', () => {
  const by = (adjuster?: 'automatic' | 'manual') =>
    templateFor(TEMPLATES, 'stroke-applied', { brake: 's-cam', ...(adjuster ? { adjuster } : {}) })?.id;
  expect([by('manual'), by('automatic'), by()]).toEqual(['adjust-manual', 'adjuster', 'adjuster']);
  const work = workFor(TEMPLATES, [{ code: 'stroke-applied', ...left }], [{ ...AXLE, adjuster: 'manual' }]);
  expect(jobOf(work, [{ ...AXLE, adjuster: 'manual' }]).measures).toEqual(
    expect.arrayContaining([
      { kind: 'stroke-applied', axle: 1, side: 'left' },
      { kind: 'stroke-applied', axle: 1, side: 'right' },
    ]),
  );
});

test.each(TEMPLATES.map((each) => [each.id, each] as const))('%s is whole, and answers what there is', (_, each) => {
  expect(templateSchema.parse(each)).toEqual(each);
  expect(each.answers.filter((code) => !KNOWN.has(code))).toEqual([]);
  expect(SKILLS.map(({ name }) => name)).toContain(each.skill);
  if (each.qualification) expect(QUALIFICATIONS.map(({ name }) => name)).toContain(each.qualification);
});

test('no code is answered by two templates for one brake, but for one adjuster or any, and none stands twice', () => {
  const codes = TEMPLATES.flatMap(({ answers, brakes, adjusters = ['any'] }) =>
    answers.flatMap((code) =>
      (brakes ?? BRAKE_KINDS).flatMap((brake) => adjusters.map((adjuster) => `${code} ${brake} ${adjuster}`)),
    ),
  );
  expect(new Set(codes).size).toBe(codes.length);
  expect(new Set(TEMPLATES.map(({ id }) => id)).size).toBe(TEMPLATES.length);
});

test('a reline is of both ends, with the axle’s minutes, its wheels off once, and each wheel to be torqued', () => {
  const job = jobOf([{ template: template('reline-drum'), ends: [left] }], AXLES);
  expect(job).toMatchObject({
    minutes: 80 + SET_UPS['wheels-off'],
    wheels: [left, right],
    qualifications: ['Brake inspector'],
    parts: [
      { part: 'shoe-kit', count: 2 },
      { part: 'spring-and-pin-kit', count: 2 },
    ],
  });
  expect(job.steps.slice(0, 2).map(({ words }) => words)).toEqual([
    'Wheels chocked, both ways',
    'Axle 1: on stands, wheels off',
  ]);
  expect(job.steps.at(-1)?.words).toBe('Axle 1: wheels on');
});

test('what a piece of work may have moved is measured again at every end it was done at', () => {
  const unit = { id: 'T', kind: 'semitrailer' as const, axles: AXLES };
  const lining = { code: 'lining', axle: 1, side: 'left' as const, tyre: null };
  const again = (works: Parameters<typeof jobOf>[0]) =>
    toRemeasure(unit, [lining], jobOf(works, AXLES).measures).map(keyOf);
  const reline = again([{ template: template('reline-drum'), ends: [left] }]);
  for (const kind of ['lining', 'stroke-applied', 'drum'])
    expect(reline).toEqual(expect.arrayContaining([`${kind}@1L`, `${kind}@1R`]));
  const tyre = again([{ template: template('tyre'), ends: [right] }]);
  for (const place of ['1R-in', '1R-out'])
    expect(tyre).toEqual(expect.arrayContaining([`tread@${place}`, `pressure@${place}`]));
  expect(toRemeasure(unit, [lining]).map(keyOf)).toEqual(['lining@1L', 'stroke-applied@1L']);
});

test('before a brake is let go or a wheel comes off the unit is chocked, once a job; for a lamp it is not', () => {
  const chocks = (...ids: string[]) =>
    jobOf(
      ids.map((id) => ({ template: template(id), ends: [left] })),
      AXLES,
    ).steps.filter(({ key }) => key === 'chocked').length;
  expect([chocks('chamber'), chocks('adjuster', 'reline-drum'), chocks('hub-seal'), chocks('lamp')]).toEqual([
    1, 1, 1, 0,
  ]);
});

test('a seal beside a reline takes no second set-up of the axle', () => {
  const reline = { template: template('reline-drum'), ends: [left] };
  const seal = { template: template('hub-seal'), ends: [right] };
  const [both, one, other] = [[reline, seal], [reline], [seal]].map((works) => jobOf(works, AXLES).minutes) as [
    number,
    number,
    number,
  ];
  expect(both).toBe(one + other - SET_UPS['wheels-off']);
});

test('several findings become one piece of work at all their ends, by the kind where the code is a reading', () => {
  const at = (code: string, axle: number | null, side: 'left' | 'right' | null) => ({ code, axle, side });
  const works = workFor(
    TEMPLATES,
    [
      at('hub-oil', 1, 'left'),
      at('hub-leak', 1, 'right'),
      at('hub-oil', 1, 'left'),
      at('lamp-out', null, null),
      at('air-test:leak-applied', null, null),
      at('documents', null, null),
    ],
    AXLES,
  );
  expect(works.map((work) => [work.template.id, work.ends.length])).toEqual([
    ['hub-seal', 2],
    ['lamp', 0],
    ['air-leak', 0],
  ]);
  expect(templateFor(TEMPLATES, 'no-such-code')).toBeNull();
});

const works = fc.array(
  fc.record({
    template: fc.constantFrom(...TEMPLATES),
    ends: fc.uniqueArray(fc.record({ axle: fc.integer({ min: 1, max: 4 }), side: fc.constantFrom(...SIDES) }), {
      minLength: 1,
      maxLength: 6,
      selector: ({ axle, side }) => `${axle}${side}`,
    }),
  }),
  { minLength: 1, maxLength: 5 },
);

test('whatever is put together: every step has its own name, wheels are only where axles are, nothing is forgotten', () => {
  fc.assert(
    fc.property(works, (all) => {
      const once = [...new Map(all.map((work) => [work.template.id, work])).values()];
      const job = jobOf(once, AXLES);
      expect(new Set(job.steps.map(({ key }) => key)).size).toBe(job.steps.length);
      expect(job.wheels.every(({ axle }) => axle <= AXLES.length)).toBe(true);
      expect(job.minutes).toBeGreaterThanOrEqual(0);
      for (const { template: each } of once) {
        const there = each.at === 'unit' || all.some((work) => work.ends.some(({ axle }) => axle <= AXLES.length));
        if (there) expect(job.skills).toContain(each.skill);
      }
    }),
  );
});

test.each([5, 6, 8, 10, 12])('the star over %d nuts takes each once', (holes) => {
  const order = starOrder(holes);
  expect([...order].sort((a, b) => a - b)).toEqual(Array.from({ length: holes }, (_, n) => n + 1));
});
test('the star goes across', () => {
  expect(starOrder(8)).toEqual([1, 5, 3, 7, 2, 6, 4, 8]);
  expect(starOrder(10)).toEqual([1, 6, 3, 8, 5, 10, 2, 7, 4, 9]);
});

test('a worn pad of a disc brake takes pads, the lining of a drum brake shoes', () => {
  expect(templateFor(TEMPLATES, 'lining', { brake: 'air-disc' })?.id).toBe('pads-disc');
  expect(templateFor(TEMPLATES, 'lining', { brake: 's-cam' })?.id).toBe('reline-drum');
  expect(templateFor(TEMPLATES, 'lining')).toBeNull();
});

test('pad sets at every end take the wheels off every axle with such brakes, a kit an axle, and none without', () => {
  const every = TEMPLATES.find(({ id }) => id === 'pads-every-end');
  if (!every) throw new Error('no such template');
  const disc = { brake: 'air-disc', tyres: 'dual', hub: 'oil' } as const;
  const drum = { ...disc, brake: 's-cam' } as const;
  const six = jobOf([{ template: every, ends: [] }], [disc, disc, disc]);
  expect([six.wheels.length, six.parts]).toEqual([6, [{ part: 'pad-kit', count: 3 }]]);
  expect(six.minutes).toBe(3 * every.minutes.both + 3 * SET_UPS['wheels-off']);
  expect(six.measures?.filter(({ kind }) => kind === 'lining')).toHaveLength(6);
  const mixed = jobOf([{ template: every, ends: [{ axle: 1, side: 'left' }] }], [drum, disc]);
  expect(mixed.wheels.map(({ axle }) => axle)).toEqual([2, 2]);
  expect(jobOf([{ template: every, ends: [] }], [drum]).steps.some(({ words }) => words.includes('wheels off'))).toBe(
    false,
  );
});
