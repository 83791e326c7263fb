import { CHECKS } from '../../catalogue';
import { ROUTES } from '../../inspection';
import type { BookId } from '../../limits';
import { dayAfter } from '../../measure';
import { cardsOf, examResult, formsOf } from './by-heart';
import { DRILLS, daysInARow, drillQuestions, drillScore, drillsOf } from './drills';
import { answered, GRADES, type Learnt, toRecall } from './recall';

test('every form an examiner sets has cards that say something, each once', () => {
  const forms = formsOf();
  expect(forms.map(({ id }) => id)).toEqual([
    'engine-side',
    'drivers-side',
    'trailer-coupling',
    'in-cab-air',
    'whole-tractor',
    'whole-truck',
    'whole-bus',
  ]);
  for (const { cards } of forms) {
    expect(cards.length).toBeGreaterThan(8);
    expect(new Set(cards.map(({ id }) => id)).size).toBe(cards.length);
    for (const { point, says } of cards) expect([point.length > 1, says.length > 0]).toEqual([true, true]);
  }
  const air = forms.find(({ id }) => id === 'in-cab-air');
  expect(air?.cards.filter(({ mustNotFail }) => mustNotFail).length).toBeGreaterThan(4);
  expect(air?.cards.find(({ id }) => id.endsWith('air-test:leak-released'))?.figure).toMatch(/psi/);
  const tread = forms.find(({ id }) => id === 'drivers-side')?.cards.find(({ id }) => id.endsWith('/tread'));
  expect(tread?.figure).toContain('4/32');
});

const spokenBy = (by: Parameters<typeof formsOf>[1]) =>
  new Map(formsOf([], by).flatMap(({ cards }) => cards.map((card) => [card.id.split('/')[1] ?? '', card] as const)));

test('a card is a sentence with its part, state and figure, why it matters and a line to remember; nothing is split', () => {
  const cards = [...spokenBy({ book: 'na' }).values()];
  for (const { says, memory } of cards) {
    for (const sentence of says) expect(sentence).not.toMatch(/[{}]|undefined|^\W/);
    expect(memory).not.toBe('');
  }
  const told = cards.filter(({ why, slip }) => why && slip).length;
  expect(told / cards.length).toBeGreaterThan(0.9);
  expect(spokenBy({ book: 'na' }).get('check:alternator')?.says).toEqual([
    'The alternator is bolted tight, no bare wires, and it is belt-driven.',
  ]);
});

test('a card says what is kept of a unit, and never how most are built where that is known', () => {
  const of = (features: object) => spokenBy({ book: 'na', features });
  expect(of({ alternator: 'gear' }).get('check:alternator')?.says).toEqual([
    'The alternator is bolted tight, no bare wires, and it is gear-driven.',
  ]);
  expect(of({ compressor: 'belt' }).get('check:compressor')?.says.join(' ')).toContain('it is belt-driven.');
  expect(of({ airTanks: 3 }).get('check:air-tanks')?.says.at(-1)).toBe('This unit has 3.');
  expect(of({}).get('check:air-tanks')?.says.join(' ')).not.toContain('This unit');
});

test('what is said beside the steps stands where an examiner hears it', () => {
  const air =
    formsOf([], { book: 'na' })
      .find(({ id }) => id === 'in-cab-air')
      ?.cards.filter(({ section }) => section.includes('ir')) ?? [];
  const at = (id: string) => air.findIndex((card) => card.id.endsWith(id));
  expect(at('said:set-up')).toBeGreaterThanOrEqual(0);
  expect(at('said:start-again')).toBe(at('air-test:spring-brake') + 1);
  const ends = formsOf([], { book: 'na' }).find(({ id }) => id === 'trailer-coupling')?.cards ?? [];
  expect(ends.some(({ point }) => point === 'Next axle')).toBe(true);
});

test('one vehicle and a combination have figures of their own, never both on a card', () => {
  const says = (of: 'single' | 'combination') => {
    const cards = spokenBy({ book: 'na', of });
    return ['leak-released', 'leak-applied'].map((test) => cards.get(`air-test:${test}`)?.says.join(' ') ?? '');
  };
  expect(says('single').map((each) => /\d psi/.exec(each)?.[0])).toEqual(['2 psi', '3 psi']);
  expect(says('combination').map((each) => /\d psi/.exec(each)?.[0])).toEqual(['3 psi', '4 psi']);
});

test('a school’s figure is the policy the fleet chose, and its own sentence goes before', () => {
  const belts = (more: object) =>
    spokenBy({ book: 'na', ...more })
      .get('check:belts')
      ?.says.join(' ');
  expect(belts({})).toContain('at most 1/2 in of play');
  expect(belts({ policies: { 'belt-play': '1/4' } })).toContain('at most 1/4 in of play');
  expect(belts({ phrases: { 'check:belts': 'Belts like ours.' } })).toBe('Belts like ours.');
  // The sentences are of one book: another has what good looks like, whole.
  expect(spokenBy({ book: 'gb' }).get('check:alternator')?.says).toEqual(['Tight, belt- or gear-driven, wires intact']);
});

test('half said is half a point, and nothing of what must not fail', () => {
  const form = formsOf().find(({ id }) => id === 'in-cab-air');
  if (!form) throw new Error('no form');
  const ids = form.cards.map(({ id }) => id);
  const must = form.cards.find(({ mustNotFail }) => mustNotFail)?.id ?? '';
  const may = form.cards.find(({ mustNotFail }) => !mustNotFail)?.id ?? '';
  const without = (id: string) => ids.filter((each) => each !== id);
  expect(examResult(form, without(may), [may])).toMatchObject({ points: ids.length - 0.5, passed: true });
  expect(examResult(form, without(must), [must])).toMatchObject({ points: ids.length - 1, passed: false });
});

test('change a route, and its cards follow; what was learnt of the others stays', () => {
  const route = ROUTES.find(({ id }) => id === 'walk-trailer');
  const [section] = route?.sections ?? [];
  if (!route || !section) throw new Error('no route');
  const before = cardsOf(route).map(({ id }) => id);
  const asks = [...section.asks, { kind: 'check' as const, item: CHECKS.find(({ id }) => id === 'fuses')?.id }];
  const changed = { ...route, sections: [{ ...section, asks }, ...route.sections.slice(1)] };
  expect(
    cardsOf(changed)
      .map(({ id }) => id)
      .filter((id) => !before.includes(id)),
  ).toEqual([`${section.id}/check:fuses`]);
  expect(formsOf([changed]).at(-1)?.name).toBe(route.name);
});

test('an exam is passed by its points, and never without what must not fail', () => {
  const form = formsOf().find(({ id }) => id === 'in-cab-air');
  if (!form) throw new Error('no form');
  const all = form.cards.map(({ id }) => id);
  expect(examResult(form, all)).toMatchObject({
    passed: true,
    points: all.length,
    failedOn: [],
  });
  const must = form.cards.find(({ mustNotFail }) => mustNotFail)?.id;
  const failed = examResult(
    form,
    all.filter((id) => id !== must),
  );
  expect(failed).toMatchObject({ passed: false, points: all.length - 1 });
  expect(failed.failedOn.map(({ id }) => id)).toEqual([must]);
  expect(examResult(form, all.slice(0, 3)).passed).toBe(false);
});

test('a card known well is asked later than one that was not, and comes back by itself', () => {
  const now = new Date('2026-05-04T08:00:00Z');
  const due = GRADES.map((grade) => answered('a', null, grade, now).due);
  expect([...due].sort()).toEqual(due);
  let learnt: Learnt | null = null;
  let at = now;
  const gaps: number[] = [];
  for (let nth = 0; nth < 6; nth++) {
    learnt = answered('a', learnt, 'good', at);
    gaps.push(Date.parse(learnt.due) - at.getTime());
    at = new Date(learnt.due);
  }
  expect(gaps.at(-1)).toBeGreaterThan((gaps[0] ?? 0) * 20);
  expect(JSON.parse(JSON.stringify(learnt))).toEqual(learnt);
  const cards = [{ id: 'a' }, { id: 'b' }, { id: 'c' }];
  const known = new Map([['a', learnt as Learnt]]);
  expect(toRecall(cards, known, now, 1)).toEqual(['b']);
  expect(toRecall(cards, known, at, 1)).toEqual(['a', 'b']);
});

test('a drill is the same for a seed, each question has one right answer among different ones', () => {
  for (const drill of DRILLS) {
    expect(drillQuestions(drill, 4)).toEqual(drillQuestions(drill, 4));
    for (let seed = 0; seed < 20; seed++)
      for (const { options, right, ask, why, off } of drillQuestions(drill, seed)) {
        expect(new Set(options).size).toBe(options.length);
        expect(right >= 0 && right < options.length).toBe(true);
        expect(ask.length > 0 && why.length > 0).toBe(true);
        if (off) expect(off[right]).toBe(0);
      }
  }
});

test('who reads a division short is told so by how much', () => {
  const questions = drillQuestions('gauge', 3);
  const short = questions.map(({ right }) => Math.max(0, right - 1));
  const told = drillScore(questions, short);
  expect(told.right).toBeLessThan(5);
  expect(told.bias).toBeLessThan(-0.5);
  expect(
    drillScore(
      questions,
      questions.map(({ right }) => right),
    ),
  ).toMatchObject({ right: 20, bias: 0 });
});

test('days in a row count days practiced, and end where one was missed', () => {
  const before = (day: string) => dayAfter(day, -1);
  expect(daysInARow(['2026-05-02', '2026-05-03', '2026-05-04'], '2026-05-04', before)).toBe(3);
  expect(daysInARow(['2026-05-02', '2026-05-03'], '2026-05-04', before)).toBe(2);
  expect(daysInARow(['2026-05-01'], '2026-05-04', before)).toBe(0);
});

test('cards and drills go by the book of the fleet: what it has no figure for is not drilled', () => {
  const figures = (book: BookId) =>
    new Map(formsOf([], { book }).flatMap(({ cards }) => cards.map(({ id, figure }) => [id, figure] as const)));
  const [ours, theirs] = [figures('na'), figures('gb')];
  const differ = [...ours].filter(([id, figure]) => theirs.get(id) !== figure);
  expect(differ.length).toBeGreaterThan(0);
  expect([...theirs.values()].filter((figure) => figure?.includes('1.0 mm')).length).toBeGreaterThan(0);
  expect(drillsOf('na')).toEqual(DRILLS);
  expect(drillsOf('gb')).toEqual(['gauge', 'units', 'hold-or-go']);
  const rules = drillQuestions('hold-or-go', 3, 'gb').map(({ why }) => why);
  expect(rules).not.toEqual(drillQuestions('hold-or-go', 3, 'na').map(({ why }) => why));
});
