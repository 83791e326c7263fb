import { DEFECT_LIFE, DEFECT_STATES, isOpenDefect } from '../defects';
import { isOpenJob, JOB_LIFE, JOB_STATES } from '../repair';
import { type Act, mayAct, ROLES } from '.';

const DOOR: readonly Act<'open' | 'shut' | 'locked', 'shut' | 'lock', 'a key'>[] = [
  { act: 'shut', from: ['open'], to: 'shut', who: ['driver', 'technician'] },
  { act: 'lock', from: ['shut'], to: 'locked', who: ['foreman'], needs: ['a key'] },
];

test('an act is refused for its role first, then its state, then what it needs', () => {
  expect(mayAct(DOOR, 'a door', 'open', 'shut', 'manager')).toEqual({
    ok: false,
    because: 'role',
    message: 'To shut a door takes a driver or a technician.',
  });
  expect(mayAct(DOOR, 'a door', 'open', 'lock', 'foreman')).toEqual({
    ok: false,
    because: 'state',
    message: 'You cannot lock a door that is open.',
  });
  expect(mayAct(DOOR, 'a door', 'shut', 'lock', 'foreman')).toMatchObject({ because: 'needs', missing: ['a key'] });
  expect(mayAct(DOOR, 'a door', 'shut', 'lock', 'foreman', { 'a key': true })).toEqual({ ok: true, to: 'locked' });
});

/** Every state that can be reached from the first one. */
function reached<State extends string>(table: readonly Act<State, string, string>[], first: State): Set<State> {
  const known = new Set<State>([first]);
  for (let before = 0; before !== known.size; ) {
    before = known.size;
    for (const { from, to } of table) if (from.some((state) => known.has(state))) known.add(to);
  }
  return known;
}

test('every state of a defect and of a job is reached, and the closed ones are left by no act but acknowledging', () => {
  expect([...reached(DEFECT_LIFE, 'reported')].sort()).toEqual([...DEFECT_STATES].sort());
  expect([...reached(JOB_LIFE, 'open')].sort()).toEqual([...JOB_STATES].sort());
  for (const { act, from } of DEFECT_LIFE)
    if (from.some((state) => !isOpenDefect(state))) expect([act, from]).toEqual(['acknowledge', ['certified']]);
  for (const { from } of JOB_LIFE) expect(from.filter((state) => !isOpenJob(state))).toEqual([]);
});

test('a driver reports, repairs nothing, and closes no report but by seeing what was repaired', () => {
  const may = (table: readonly Act<string, string, string>[]) =>
    table.filter(({ who }) => who.includes('driver')).map(({ act }) => act);
  expect([may(DEFECT_LIFE as never), may(JOB_LIFE as never)]).toEqual([['report', 'acknowledge'], []]);
});

test('no role may do an act from a state its table does not name', () => {
  for (const role of ROLES)
    for (const state of JOB_STATES)
      for (const { act, from } of JOB_LIFE)
        if (!from.includes(state)) expect(mayAct(JOB_LIFE, 'a job', state, act, role).ok).toBe(false);
});
