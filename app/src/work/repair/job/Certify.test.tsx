import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { NO_WORK_KNOWN } from '@zealous-axle/core';
import { defectWith, jobPageWith, jobWith } from '../../../testing/shop';
import { Certify } from './Certify';

jest.mock('../../../server/queries', () => ({ useUnit: () => ({ data: undefined }) }));
jest.mock('../../../session/start-inspection', () => ({ startInspection: jest.fn() }));
jest.mock('../../../device/drafts', () => ({ openDrafts: async () => [] }));
jest.mock('../../../session/session', () => ({
  useSession: () => ({ person: { name: 'Tomas Rask', units: null }, fleet: { zone: 'UTC', units: { length: 'in' } } }),
}));
jest.mock('../../../session/useTyped', () => ({
  useTyped: (_: string, value: object) => ({
    value,
    change: () => undefined,
    clear: async () => undefined,
    earlier: false,
  }),
}));

const sent = jest.fn((..._: unknown[]) => true);
beforeEach(() => sent.mockClear());

const DONE = { state: 'done', done: 'Seal renewed', finished: { at: '2026-07-01T10:00:00Z', by: 't' } } as const;
/** A lamp that is seen by eye, and a brake that is measured again. */
const LAMP = defectWith({ id: 'lamp', code: 'lamp-out', axle: null, side: null, state: 'done' });
const BRAKE = defectWith({ id: 'brake', code: 'brake-part-broken', state: 'done' });
const show = (more: Parameters<typeof jobPageWith>[0] = {}) =>
  render(<Certify page={jobPageWith({ job: jobWith(DONE), work: NO_WORK_KNOWN, ...more })} act={sent} />);
const press = (text: string | RegExp) => act(async () => fireEvent.press(screen.getByText(text)));
const USUAL = /^Sign: “Repaired as recorded/;

test('what is measured again is asked for before anybody can sign', async () => {
  await show({ defects: [BRAKE] });
  expect(screen.getByText(/^Measure again, \d readings?$/)).toBeTruthy();
  expect(screen.queryByText(USUAL)).toBeNull();
  await act(async () => fireEvent.changeText(screen.getByLabelText('Statement'), 'It is fine'));
  await press('Sign and certify');
  expect(sent).not.toHaveBeenCalled();
});

test('what is seen by eye is signed in usual words by one tap, or in one’s own', async () => {
  await show({ defects: [LAMP] });
  expect(screen.getByText('Nothing to measure: check this repair by eye.')).toBeTruthy();
  expect(screen.getByText('Signed as Tomas Rask, with the time.')).toBeTruthy();
  await press(USUAL);
  await act(async () => fireEvent.changeText(screen.getByLabelText('Statement'), 'New bulb, burns'));
  expect(screen.queryByText(USUAL)).toBeNull();
  await press('Sign and certify');
  expect(sent.mock.calls.map(([name, body]) => [name, body])).toEqual([
    ['certify-job', { job: 'j', version: 3, statement: 'Repaired as recorded, and checked again' }],
    ['certify-job', { job: 'j', version: 3, statement: 'New bulb, burns' }],
  ]);
});

test('what needed no repair is said with its reason, and then nothing is signed as repaired by one tap', async () => {
  await show({ defects: [LAMP] });
  await press('Not needed…');
  await press('Checked: as it should be');
  await press('No repair was needed');
  expect(screen.getByText(/no repair needed, Checked: as it should be$/)).toBeTruthy();
  expect(screen.queryByText(USUAL)).toBeNull();
  await act(async () => fireEvent.changeText(screen.getByLabelText('Statement'), 'It burns'));
  await press('Sign and certify');
  expect(sent.mock.calls[0]?.[1]).toMatchObject({
    unneeded: [{ defect: 'lamp', reason: 'Checked: as it should be' }],
  });
});

test('whose papers do not allow it is told which, and cannot sign', async () => {
  await show({ defects: [LAMP], cannotSign: 'Your brake inspector’s paper ended on 1 June 2026.' });
  expect(screen.getByText('Your brake inspector’s paper ended on 1 June 2026.')).toBeTruthy();
  expect(screen.queryByText('Sign and certify')).toBeNull();
});

test('what is not right yet goes back to work, with why', async () => {
  await show({ defects: [LAMP] });
  await press('Not right yet: reopen job');
  await press('Still loose');
  await press('Reopen this job');
  expect(sent.mock.calls[0]?.slice(0, 2)).toEqual(['reopen-job', { job: 'j', version: 3, reason: 'Still loose' }]);
});
