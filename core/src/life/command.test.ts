import { COMMAND_NAMES, commandOf } from '..';

/** What is about several units, or decides of units without naming one, says which: nobody's rows are looked at untaken. */
test('a command about several units names them', () => {
  const silent = COMMAND_NAMES.filter((name) => {
    const { about, names } = commandOf(name);
    return about === 'units' && names === null;
  });
  expect(silent).toEqual([]);
});

test('what judges by other rules foresees other things of all, and belongs to the fleet', () => {
  for (const name of COMMAND_NAMES) {
    const { judgesAnew, foresees, about } = commandOf(name);
    if (judgesAnew) expect([name, foresees, about]).toEqual([name, 'all', 'fleet']);
  }
});

test('what moves the plan is read again where the plan is shown', () => {
  const shown = ['plan', 'shop', 'set-up'];
  for (const name of COMMAND_NAMES) {
    const { movesPlan, touches } = commandOf(name);
    if (movesPlan) expect([name, touches.some((each) => shown.includes(each))]).toEqual([name, true]);
  }
});

test('what is of a job or a defect is before the shop', () => {
  for (const name of COMMAND_NAMES) {
    const { about, touches } = commandOf(name);
    if (about === 'job' || about === 'defect') expect([name, touches.includes('shop')]).toEqual([name, true]);
  }
});
