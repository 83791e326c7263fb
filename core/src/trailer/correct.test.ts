import { changedFacts, changeWords, correctedEnds, isJudgedBy, type UnitForm, wheelEnds } from '.';

const axle = { brake: 's-cam', tyres: 'dual', hub: 'oil', chamber: { type: 'clamp', size: '30' } } as const;
const form: UnitForm = { number: 'H-1', body: '', kind: 'semitrailer', site: '', axles: [axle, axle], features: {} };
const long = { type: 'clamp', size: '30', stroke: 'long' } as const;
const wordsOf = (after: UnitForm) => changedFacts(form, after).map(changeWords);

test('what is put right at one end is put right at that end alone', () => {
  const axles = correctedEnds([axle, axle], [{ axle: 2, side: 'left' }], { chamber: long });
  expect(axles[0]).toEqual(axle);
  const strokes = wheelEnds({ id: '', kind: 'semitrailer', axles }).map(({ chamber }) => chamber?.stroke);
  expect(strokes).toEqual([undefined, undefined, 'long', undefined]);
});

test('a change says where, from what and to what', () => {
  const axles = correctedEnds(form.axles, [{ axle: 1, side: 'left' }], { chamber: long });
  expect(wordsOf({ ...form, axles })).toEqual(['1L Chamber: 30 clamp chamber, now 30 long stroke clamp chamber']);
});

test('what changed alike at both ends is said of the axle', () => {
  const both = [
    { axle: 2, side: 'left' },
    { axle: 2, side: 'right' },
  ] as const;
  const axles = correctedEnds(form.axles, both, { target: '100 psi', sidewallMax: '120 psi' });
  expect(wordsOf({ ...form, axles })).toEqual([
    'Axle 2 Cold pressure: not known, now 100 psi',
    'Axle 2 Sidewall maximum: not known, now 120 psi',
  ]);
});

test('a number, a book, a maker’s figure and a lost axle are changes; where it stands judges nothing', () => {
  const maker = { drum: { value: '16.62 in', source: 'Cast on the drum' } };
  const after = { ...form, number: 'H-2', features: { book: 'gb' as const }, axles: [{ ...axle, maker }] };
  expect(wordsOf(after)).toEqual([
    'Number: H-1, now H-2',
    'Axles: 2, now 1',
    'Limit book: not known, now gb',
    'Axle 1 Maker’s limit of the drum: not known, now 16.62 in (Cast on the drum)',
  ]);
  expect(isJudgedBy(changedFacts(form, after))).toBe(true);
  expect(isJudgedBy(changedFacts(form, { ...form, site: 'Wharf', number: 'H-3' }))).toBe(false);
  expect(changedFacts(form, form)).toEqual([]);
});
