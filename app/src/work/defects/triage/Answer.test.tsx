import { act, fireEvent, render, screen } from '@testing-library/react-native';
import type { TriageReport } from '@zealous-axle/core';
import { defectWith } from '../../../testing/shop';
import { Answer } from './Answer';
import { type Answered, answerWords, asProposed, urgencyWords } from './answers';

jest.mock('../../../device/outbox', () => ({ send: jest.fn() }));
jest.mock('../../../session/session', () => {
  const fleet = { zone: 'UTC', book: 'na', units: { length: 'in' } };
  const session = () => ({ person: { role: 'foreman', name: 'F' }, fleet });
  return { useSession: session, useSessionState: session };
});

type Proposal = TriageReport['proposal'];
const report = (more: Partial<Proposal> = {}): TriageReport => ({
  defect: defectWith({ state: 'reported', code: 'lamp-out', axle: null, side: null }),
  proposal: {
    severity: 'next-visit',
    answer: 'repair',
    holds: false,
    said: [{ code: 'as-written', args: { text: 'By practice it waits for the next visit.' } }],
    because: 'By practice it waits for the next visit.',
    joins: null,
    comeBackOf: null,
    ...more,
  },
  daylight: null,
});

let answers: Answered[] = [];
beforeEach(() => {
  answers = [];
});
const show = (more?: Partial<Proposal>) =>
  render(
    <Answer
      report={report(more)}
      today="2026-07-01"
      onAnswer={(each) => answers.push(each)}
      onClose={() => undefined}
    />,
  );
const press = (text: string) => act(async () => fireEvent.press(screen.getByText(text)));
const write = (label: string, text: string) =>
  act(async () => fireEvent.changeText(screen.getByLabelText(label), text));

test.each([true, false])(
  'repair, hold the unit or not as proposed (%s) unless it is answered otherwise',
  async (holds) => {
    await show({ holds });
    await press('To be repaired');
    await press(holds ? 'Not held' : 'Hold the trailer');
    await press('To be repaired');
    expect(answers).toEqual([
      { name: 'triage-defect', more: { holds } },
      { name: 'triage-defect', more: { holds: !holds } },
    ]);
  },
);

test('what the book holds has no other answer than to hold it', async () => {
  const held = report({ holds: true, severity: 'hold' });
  held.defect = defectWith({ state: 'reported', code: 'lining-cracked' });
  await render(
    <Answer report={held} today="2026-07-01" onAnswer={(each) => answers.push(each)} onClose={() => undefined} />,
  );
  expect(screen.queryByText('Not held')).toBeNull();
  expect(screen.getByText(/On hold until it is repaired or no fault is found/)).toBeTruthy();
  await press('To be repaired');
  expect(answers).toEqual([{ name: 'triage-defect', more: { holds: true } }]);
});

test.each(['hold', 'before-use'] as const)('what is %s by its rule cannot be put off', async (severity) => {
  await show({ severity });
  expect(screen.queryByText('Defer…')).toBeNull();
  expect(screen.getByText('The rule does not let it wait. It cannot be deferred.')).toBeTruthy();
});

test('a lamp that may run by daylight is let go until dusk with a reason, and only while it is day', async () => {
  const lamp = { ...report({ severity: 'before-use' }), daylight: '2026-07-01T19:30:00Z' };
  lamp.defect = defectWith({ state: 'reported', code: 'lamp-plate-out', axle: null, side: null });
  const drawn = (each: TriageReport) => (
    <Answer report={each} today="2026-07-01" onAnswer={(given) => answers.push(given)} onClose={() => undefined} />
  );
  const { rerender } = await render(drawn({ ...lamp, daylight: null }));
  expect(screen.getByText(/not now\. It is dark/)).toBeTruthy();
  await rerender(drawn(lamp));
  await press('By daylight only, until 1\u00a0Jul, 19:30 …');
  await write('Why may it leave like this?', 'Home to the shop');
  await press('By daylight only');
  expect(answers).toEqual([{ name: 'run-by-daylight', more: { reason: 'Home to the shop' } }]);
});

test('put off it needs a reason, and comes back by a day or by the meter', async () => {
  await show();
  await press('Defer…');
  await press('Defer');
  expect(answers).toEqual([]);
  await write('Why can it wait?', 'Seen by day only');
  await write('Or until meter reading (optional)', 'far');
  await press('Defer');
  expect(answers).toEqual([]);
  await write('Or until meter reading (optional)', '48 210 km');
  await press('Defer');
  expect(answers).toEqual([
    {
      name: 'defer-defect',
      more: { until: expect.stringMatching(/^2026-\d\d-\d\d$/), untilMeter: '48 210 km', reason: 'Seen by day only' },
    },
  ]);
});

test.each([
  ['No fault found…', 'What was checked, and how?', 'No fault found', 'find-no-fault'],
  ['Not a defect…', 'Why is it no defect?', 'Dismiss this report', 'dismiss-defect'],
])('%s is answered with its reason, and there is a way back', async (open, ask, done, name) => {
  await show();
  await press(open);
  await press('Back');
  await press(open);
  await write(ask, 'Looked at with a lamp');
  await press(done);
  expect(answers).toEqual([{ name, more: { reason: 'Looked at with a lamp' } }]);
});

test('a report of the same fault is joined, where there is one', async () => {
  const { unmount } = await show();
  expect(screen.queryByText('Merge with the existing report')).toBeNull();
  await unmount();
  await show({ joins: 'x' });
  await press('Merge with the existing report');
  expect(answers).toEqual([{ name: 'join-defect', more: { with: 'x' } }]);
});

test.each<[Partial<Proposal>, string]>([
  [{ answer: 'repair', holds: true }, 'repair, hold the unit'],
  [{ answer: 'repair', holds: false }, 'repair, no hold'],
  [{ answer: 'measure' }, 'measure first'],
  [{ answer: 'join', joins: 'x' }, 'merge with the existing report'],
  // Nothing to join is left: it is repaired, never looser.
  [{ answer: 'join', joins: null, holds: true }, 'repair, hold the unit'],
])('as proposed, %j is: %s', (more, words) => expect(answerWords(asProposed(report(more)))).toBe(words));

test('how much it presses: that it holds goes before what was proposed', () => {
  expect(urgencyWords(report())).toBe('At its next visit');
  expect(urgencyWords({ ...report(), defect: defectWith({ holds: true }) })).toBe('Holds');
});
