import { DEFECT_LIFE, DEFECT_STATES, isOpenDefect } from '../defects';
import { isOpenJob, JOB_LIFE, JOB_STATES } from '../repair';
import { type Act, mayAct, mayNow, ROLES, whoMay } from '.';

const DOOR: readonly Act<'open' | 'shut' | 'locked', 'shut' | 'lock', 'a key'>[] = [
  { act: 'shut', from: ['open'], to: 'shut', who: ['driver', 'technician'] },
  { act: 'lock', from: ['shut'], to: 'locked', who: ['foreman'], needs: ['a key'] },
];

test('an act is refused for its role first, then its state, then what it needs', () => {
  expect(mayAct(DOOR, 'a door', 'open', 'shut', 'manager')).toEqual({
    ok: false,
    because: 'role',
    message: 'Only a driver or a technician can shut a door.',
  });
  expect(mayAct(DOOR, 'a door', 'open', 'lock', 'foreman')).toEqual({
    ok: false,
    because: 'state',
    message: 'Cannot lock a door while it is open.',
  });
  expect(mayAct(DOOR, 'a door', 'shut', 'lock', 'foreman')).toMatchObject({ because: 'needs', missing: ['a key'] });
  expect(mayAct(DOOR, 'a door', 'shut', 'lock', 'foreman', { 'a key': true })).toEqual({ ok: true, to: 'locked' });
});

describe('an act', () => {
  const GATE: readonly Act<'new' | 'open' | 'shut', 'make' | 'shut' | 'mend', 'a key' | 'a lamp' | 'a hand'>[] = [
    { act: 'make', from: [], to: 'new', who: ['driver', 'technician', 'foreman'] },
    { act: 'shut', from: ['open'], to: 'shut', who: ['driver'] },
    { act: 'shut', from: ['new'], to: 'shut', who: ['foreman'] },
    { act: 'mend', from: ['shut'], to: 'open', who: ['manager'], needs: ['a key', 'a lamp', 'a hand'] },
  ];
  test('makes what is not there, and nothing else does', () => {
    expect(mayAct(GATE, 'a gate', null, 'make', 'driver')).toEqual({ ok: true, to: 'new' });
    expect(mayAct(GATE, 'a gate', 'open', 'make', 'driver')).toMatchObject({ ok: false, because: 'state' });
    expect(mayAct(GATE, 'a gate', null, 'shut', 'driver')).toEqual({
      ok: false,
      because: 'state',
      message: 'Cannot shut a gate while it is not there.',
    });
  });
  test('is each role’s from its own states', () => {
    expect(mayAct(GATE, 'a gate', 'open', 'shut', 'driver')).toEqual({ ok: true, to: 'shut' });
    expect(mayAct(GATE, 'a gate', 'new', 'shut', 'driver')).toMatchObject({ because: 'state' });
    expect(mayAct(GATE, 'a gate', 'new', 'shut', 'foreman')).toEqual({ ok: true, to: 'shut' });
  });
  test('names who may and what is missing, one, two or more', () => {
    const says = (role: 'driver' | 'manager', act: 'make' | 'shut' | 'mend', given = {}) => {
      const may = mayAct(GATE, 'a gate', act === 'mend' ? 'shut' : 'open', act, role, given);
      return may.ok ? '' : may.message;
    };
    expect(says('manager', 'make')).toBe('Only a driver, a technician or a foreman can make a gate.');
    expect(says('manager', 'shut')).toBe('Only a driver or a foreman can shut a gate.');
    expect(says('driver', 'mend')).toBe('Only a manager can mend a gate.');
    expect(mayAct(GATE, 'a gate', 'shut', 'mend', 'manager')).toEqual({
      ok: false,
      because: 'needs',
      missing: ['a key', 'a lamp', 'a hand'],
      message: 'To mend a gate, still needed: a key, a lamp and a hand.',
    });
    expect(says('manager', 'mend', { 'a key': true, 'a hand': true })).toBe('To mend a gate, still needed: a lamp.');
  });
  test('is offered where only what it needs may be missing', () => {
    expect(mayNow(GATE, 'shut', 'mend', 'manager')).toBe(true);
    expect(mayNow(GATE, 'open', 'shut', 'driver')).toBe(true);
    expect(mayNow(GATE, 'shut', 'mend', 'driver')).toBe(false);
    expect(mayNow(GATE, 'new', 'shut', 'driver')).toBe(false);
    expect(whoMay(GATE, 'shut')).toEqual(['driver', 'foreman']);
    expect(whoMay(GATE, 'make')).toEqual(['driver', 'technician', 'foreman']);
  });
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

test('every state of a defect and of a job is reached, and the closed ones are left by acknowledging or by taking an answer back', () => {
  expect([...reached(DEFECT_LIFE, 'reported')].sort()).toEqual([...DEFECT_STATES].sort());
  expect([...reached(JOB_LIFE, 'open')].sort()).toEqual([...JOB_STATES].sort());
  for (const { act, from } of DEFECT_LIFE)
    if (from.some((state) => !isOpenDefect(state))) expect(['acknowledge', 'undo the decision on']).toContain(act);
  const repaired = DEFECT_LIFE.filter(({ from }) => from.includes('certified') || from.includes('acknowledged'));
  expect(repaired.map(({ act }) => act)).toEqual(['acknowledge']);
  for (const { from } of JOB_LIFE) expect(from.filter((state) => !isOpenJob(state))).toEqual([]);
});

test('a driver reports, repairs nothing, and closes no report but by seeing what was repaired, or tying it up on the spot', () => {
  const may = (table: readonly Act<string, string, string>[]) =>
    table.filter(({ who }) => who.includes('driver')).map(({ act }) => act);
  expect([may(DEFECT_LIFE as never), may(JOB_LIFE as never)]).toEqual([
    // A report made from a reading goes with the reading that was wrong.
    ['report', 'see due', 'put right on the spot', 'withdraw', 'acknowledge'],
    [],
  ]);
});

test('no role may do an act from a state its table does not name', () => {
  for (const role of ROLES)
    for (const state of JOB_STATES)
      for (const { act, from } of JOB_LIFE)
        if (!from.includes(state)) expect(mayAct(JOB_LIFE, 'a job', state, act, role).ok).toBe(false);
});
