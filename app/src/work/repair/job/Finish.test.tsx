import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { NO_WORK_KNOWN } from '@zealous-axle/core';
import { jobPageWith, jobWith } from '../../../testing/shop';
import { Finish } from './Finish';

let mockEntries: { name: string; body: object }[] = [];
jest.mock('../../../device/useOutbox', () => ({
  useOutbox: () => ({ entries: mockEntries }),
  useDoneHere: () => mockEntries,
}));
jest.mock('../../../session/rules', () => ({ useUnits: () => ({ length: 'in' }) }));
jest.mock('../../../session/session', () => ({ useSession: () => ({ person: {}, fleet: { zone: 'UTC' } }) }));
jest.mock('../../../session/useTyped', () => ({
  useTyped: (_: string, value: object) => ({
    value,
    change: () => undefined,
    clear: async () => undefined,
    earlier: false,
  }),
}));
beforeEach(() => {
  mockEntries = [];
  Object.assign(globalThis, { localStorage: { getItem: () => null, setItem: () => undefined } });
});

const STEPS = [
  { key: 'off', words: 'Wheel off', minutes: 5 },
  { key: 'look', words: 'Look at the drum', minutes: 5, look: true },
] as never;
const AT = '2026-07-01T09:00:00Z';
const ticked = (...steps: string[]) => steps.map((step) => ({ step, done: true, by: 'Ada', at: AT }));
const stud = { part: 'stud', name: 'Stud', needed: 2, taken: 0, stock: 5, leadDays: 1, elsewhere: [], without: null };
const sent = jest.fn((..._: unknown[]) => true);
beforeEach(() => sent.mockClear());

const show = (more: Parameters<typeof jobPageWith>[0]) => render(<Finish page={jobPageWith(more)} act={sent} />);
const press = () => act(async () => fireEvent.press(screen.getByText('Repair is done')));

test('what is still open stands there, and the work does not end with it', async () => {
  await show({
    work: { ...NO_WORK_KNOWN, steps: STEPS, wheels: [{ axle: 1, side: 'left' }] },
    ticks: ticked('off'),
    parts: [stud],
  });
  expect(screen.getByText('Still open: 1 step, 1 part, 1 wheel to torque.')).toBeTruthy();
  await press();
  expect(sent).not.toHaveBeenCalled();
});

test('what was ticked is what was done, and looking is no doing', async () => {
  await show({ work: { ...NO_WORK_KNOWN, steps: STEPS }, ticks: ticked('off', 'look') });
  expect(screen.getByText('If blank, the ticked steps are recorded: Wheel off')).toBeTruthy();
  await press();
  expect(sent.mock.calls[0]?.slice(0, 2)).toEqual(['finish-job', { job: 'j', version: 3, done: 'Wheel off' }]);
});

test('work that was done once is told anew: its ticks say nothing of what was done now', async () => {
  await show({
    job: jobWith({ done: 'Seal renewed' }),
    work: { ...NO_WORK_KNOWN, steps: STEPS },
    ticks: ticked('off', 'look'),
  });
  expect(screen.queryByText(/ticked steps are recorded/)).toBeNull();
  await press();
  expect(sent).not.toHaveBeenCalled();
  await act(async () => fireEvent.changeText(screen.getByLabelText('What was done'), 'Seated once more'));
  await press();
  expect(sent.mock.calls[0]?.[1]).toMatchObject({ done: 'Seated once more' });
});

test('a tick and a part that wait to be sent count here already', async () => {
  mockEntries = [
    { name: 'tick-step', body: { job: 'j', step: 'off', done: true } },
    { name: 'take-part', body: { job: 'j', part: 'stud', count: 2 } },
  ];
  await show({ work: { ...NO_WORK_KNOWN, steps: STEPS }, ticks: ticked('look'), parts: [stud] });
  expect(screen.queryByText(/Still open/)).toBeNull();
});

test('a part is left out with its reason, and goes along with the end of the work', async () => {
  await show({ parts: [stud] });
  expect(screen.getByText('Still open: 1 part.')).toBeTruthy();
  await act(async () => fireEvent.press(screen.getByText('Stud was not needed…')));
  await act(async () => fireEvent.press(screen.getByText('The old one was still good')));
  await act(async () => fireEvent.press(screen.getByText('Leave it out')));
  expect(screen.queryByText(/Still open/)).toBeNull();
  await act(async () => fireEvent.changeText(screen.getByLabelText('What was done'), 'Cleaned'));
  await press();
  expect(sent.mock.calls[0]?.[1]).toMatchObject({
    without: [{ part: 'stud', reason: 'The old one was still good' }],
  });
});

test('where the wheels were off and none is torqued by itself, the torque is asked for', async () => {
  await show({ job: jobWith({ wheelsOff: true }) });
  await act(async () => fireEvent.changeText(screen.getByLabelText('What was done'), 'Lined'));
  await press();
  expect(sent).not.toHaveBeenCalled();
  await act(async () => fireEvent.changeText(screen.getByLabelText('Torque'), '475'));
  await act(async () => fireEvent.changeText(screen.getByLabelText('Set with'), 'Wrench 4'));
  await press();
  expect(sent.mock.calls[0]?.[1]).toMatchObject({ torque: { value: '475 lb-ft', tool: 'Wrench 4' } });
});
