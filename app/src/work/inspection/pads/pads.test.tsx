import { act, fireEvent, render, screen } from '@testing-library/react-native';
import {
  type Draft,
  entryOf,
  INCH_UNITS,
  METRIC_UNITS,
  type Note,
  type Reading,
  type Step,
  sentences,
  withEntry,
  withNote,
  withText,
} from '@zealous-axle/core';
import { AXLE } from '@zealous-axle/core/testing';
import { type ComponentProps, useState } from 'react';
import { begun, HOPPER } from '../../../testing/inspection';
import { Doubted } from '../Doubted';
import { judgeStep } from '../judged';
import { padOf } from '../kinds';
import { FigurePad } from './FigurePad';

let mockUnits = INCH_UNITS;
jest.mock('../../../session/session', () => ({
  useSessionState: () => null,
  useSession: () => ({ person: { units: mockUnits }, fleet: { units: mockUnits } }),
}));

const two = (step: Step): Draft => begun({ unit: { ...HOPPER, axles: [AXLE, AXLE] }, steps: [step], reservoir: '95' });
const at = (kind: Step['kind'], item?: string): Step => ({
  kind,
  axle: 1,
  side: 'left',
  tyre: kind === 'tread' || kind === 'pressure' ? 'outer' : null,
  ...(item ? { item } : {}),
});

let draft: Draft;
let answered: Note[] = [];
let corrected: unknown[] = [];

/** A pad as the screen holds it, over a draft of its own. */
function Held({ from, step }: { from: Draft; step: Step }) {
  const [now, setNow] = useState(from);
  draft = now;
  const Pad = padOf(step.kind).Pad ?? FigurePad;
  return (
    <Pad
      draft={now}
      step={step}
      entry={entryOf(now, step)}
      judged={judgeStep(now, step)}
      update={setNow}
      note={(change) => setNow((latest) => withNote(latest, step, change))}
      type={(field, text) => setNow((latest) => withText(latest, step, field, text))}
      saveWith={(note) => answered.push(note)}
      correct={(correction) => corrected.push(correction)}
      Figures={FigurePad}
    />
  );
}
const hold = async (step: Step, change: (draft: Draft) => Draft = (same) => same) => {
  answered = [];
  corrected = [];
  await render(<Held from={change(two(step))} step={step} />);
};
const quickAt = (step: Step) => padOf(step.kind).quick?.({ draft, step, entry: entryOf(draft, step) }) ?? null;
const press = (...names: (string | RegExp)[]) =>
  names.reduce(async (before, name) => {
    await before;
    await fireEvent.press(screen.getByLabelText(name));
  }, Promise.resolve());
const made = (step: Step): Reading | string | null => {
  const { entered } = judgeStep(draft, step);
  return entered.ok ? entered.value : entered.message;
};

test('a stroke is a whole inch and a part, with its verdict as it is entered', async () => {
  const step = at('stroke-applied');
  await hold(step);
  await press('3/4');
  expect(made(step)).toMatchObject({ value: '1 3/4 in', reservoir: '95 psi' });
  expect(screen.getByText('Within limits')).toBeTruthy();
  await press('2 inches');
  expect(screen.getByText('2 3/4 in')).toBeTruthy();
  expect(screen.getByText('Violation')).toBeTruthy();
  await press('One thirty-second more');
  expect(made(step)).toMatchObject({ value: '2 25/32 in' });
});

test('face to pin: two distances, subtracted for the person', async () => {
  const step = at('stroke-applied');
  await hold(step);
  await fireEvent.press(screen.getByText('Face to pin'));
  await press('3 inches', /^Face to pin, applied/, '4 inches', '7/8');
  expect(made(step)).toMatchObject({ value: '1 7/8 in', distances: ['3 in', '4 7/8 in'], method: 'pin-distance' });
});

test('other units start the figure anew, and a pressure can be asked for again', async () => {
  const step = at('stroke-applied');
  await hold(step);
  await press('3/4', 'Measure in millimeters');
  expect(made(step)).toBeNull();
  await press('5', '0', '.', '9');
  expect(screen.getByText('50.9 mm')).toBeTruthy();
  expect(screen.getByText('Violation')).toBeTruthy();
  await fireEvent.press(screen.getByText('At 95 psi'));
  expect(draft.reservoir).toBe('');
});

test('heat of an axle end in either unit, judged as it is entered', async () => {
  const step = at('wheel-temperature');
  await hold(step);
  await press('2', '6', '2');
  expect(screen.getByText('262 °F')).toBeTruthy();
  expect(screen.getByText('Shop limit')).toBeTruthy();
  await press('Measure in degrees Celsius', '6', '8');
  expect(made(step)).toMatchObject({ value: '68 °C' });
  expect(screen.getByText('Within limits')).toBeTruthy();
});

test('tread at places and grooves: the least deep of them is judged, and a row begun is ended', async () => {
  const step = at('tread');
  await hold(step, (now) => withNote(now, step, { several: true, spots: 1, grooves: 3 }));
  await press('6 thirty-seconds', '1 thirty-seconds');
  expect(made(step)).toBeNull();
  await press('5 thirty-seconds');
  expect(made(step)).toMatchObject({ grooves: [['6/32', '1/32', '5/32']] });
  expect(screen.getAllByText('Violation').length + screen.queryAllByText('Out of service').length).toBeGreaterThan(0);
});

test('a hot tire takes its allowance, and temperatures may be below zero', async () => {
  const step = at('pressure');
  const hot = (now: Draft) => withNote({ ...now, temperatureUnit: '°C' }, step, { hot: true });
  await hold(at('dual'));
  const asks = { unit: { ...HOPPER, axles: [{ ...AXLE, target: '100 psi' }] } };
  const typed = withText({ ...hot(two(step)), ...asks }, step, 'value', '112');
  const { entered, opinion } = judgeStep(withText(typed, step, 'coldTemperature', '-5'), step);
  expect(entered).toMatchObject({ ok: true, value: { value: '112 psi', hot: true, coldTemperature: '-5 °C' } });
  expect(sentences(opinion?.said ?? [])).toMatch('112 psi hot, less 15 psi, is 97 psi cold');
});

describe('the pressure a tire asks for', () => {
  const step = at('pressure');
  const known = (now: Draft): Draft => ({
    ...now,
    unit: { ...HOPPER, axles: [{ ...AXLE, target: '100 psi', sidewallMax: '120 psi' }] },
  });

  test('is shown, and decides: half of the sidewall maximum is flat', async () => {
    await hold(step, known);
    expect(screen.getByText('100 psi cold · sidewall 120 psi')).toBeTruthy();
    await press('4', '5');
    expect(made(step)).toEqual({ kind: 'pressure', axle: 1, side: 'left', tyre: 'outer', value: '45 psi' });
    expect(screen.getByText('Out of service')).toBeTruthy();
  });

  test('is no field of the pad: digits typed at a tire that was read already change its pressure alone', async () => {
    await hold(step, (now) => withText(withEntry(known(now), step, { field: 'sidewallMax' }), step, 'value', '98'));
    await press('Undo the last digit', '6');
    expect(made(step)).toMatchObject({ value: '96 psi' });
    expect(made(step)).not.toHaveProperty('sidewallMax');
  });

  test('is changed only when that is asked for, with the reason, for the ends that are meant', async () => {
    await hold(step, known);
    await press('Change. required pressure for this tire');
    await fireEvent.changeText(screen.getByLabelText('At most, as on the sidewall'), '110');
    await fireEvent.press(screen.getByText('This axle'));
    await fireEvent.press(screen.getByText('Sidewall of the tire'));
    await fireEvent.press(screen.getByText('It was recorded wrong'));
    await fireEvent.press(screen.getByText('Write it down'));
    expect(corrected).toEqual([
      {
        ends: [
          { axle: 1, side: 'left' },
          { axle: 1, side: 'right' },
        ],
        facts: { sidewallMax: '110 psi' },
        because: { seen: 'sidewall', reason: 'It was recorded wrong' },
        pictures: [],
      },
    ]);
  });
});

describe('the chamber here', () => {
  const step = at('stroke-applied');

  test('is put right at this end unless both were read, and never without a reason', async () => {
    await hold(step);
    await press('30 clamp chamber. Correct it');
    expect(screen.queryByText('Save chamber')).toBeNull();
    await fireEvent.press(screen.getByText('Long stroke'));
    await fireEvent.press(screen.getByText('Save chamber'));
    expect(corrected).toEqual([]);
    await fireEvent.press(screen.getByText('Figure on the clamp ring'));
    await fireEvent.press(screen.getByText('It was recorded wrong'));
    await fireEvent.press(screen.getByText('Save chamber'));
    expect(corrected).toMatchObject([
      { ends: [{ axle: 1, side: 'left' }], facts: { chamber: { size: '30', stroke: 'long' } } },
    ]);
  });
});

test('a check by eye: a sign found and taken back, and never the same as an end nobody looked at', async () => {
  const step = at('check', 'tyre-look');
  await hold(step);
  expect(screen.queryByLabelText('Looks the same as the other end')).toBeNull();
  expect(quickAt(step)?.note).toEqual({ found: [], how: 'seen' });
  const [sign] = screen.getAllByRole('checkbox');
  await fireEvent.press(sign as never);
  expect(quickAt(step)).toBeNull();
  expect(made(step)).toMatchObject({ kind: 'check', how: 'seen', found: [expect.any(String)] });
  await fireEvent.press(screen.getAllByRole('checkbox')[0] as never);
  expect(made(step)).toBeNull();
});

test('a check seen good at the other end may be the same there, and says so', async () => {
  const step = at('check', 'tyre-look');
  const other: Step = { ...step, side: 'right' };
  const seen: Reading = { kind: 'check', check: 'tyre-look', axle: 1, side: 'right', found: [], how: 'seen' };
  await hold(step, (now) => ({
    ...now,
    entries: { 'check:tyre-look@1R': { ...entryOf(now, other), saved: { reading: 'r', value: seen } } },
    previous: { 'check:tyre-look@1L': { text: 'good', at: '2026-06-01T08:00:00Z' } },
  }));
  await press('Looks the same as the other end', 'Seen again: the same as last time');
  expect(answered.map(({ how }) => how)).toEqual(['as-other-end', 'as-last-time']);
});

test('lug nuts go from tight over loose and missing to a rust trail, and another wheel starts anew', async () => {
  const step = at('wheel-nuts');
  await hold(step);
  await press('Stud 1: tight', 'Stud 2: tight', 'Stud 2: loose');
  expect(made(step)).toMatchObject({ holes: 10, loose: [1], missing: [2] });
  await press('Stud 1: loose', 'Stud 1: missing', 'Stud 1: rust trail');
  expect(made(step)).toMatchObject({ loose: [], missing: [2], rust: [] });
  await fireEvent.press(screen.getAllByText('8')[0] as never);
  expect(made(step)).toMatchObject({ holes: 8, missing: [] });
});

test('not more pins can be seated than there are', async () => {
  const step: Step = { kind: 'slider-pins', axle: null, side: null, tyre: null };
  await hold(step, (now) => withNote(now, step, { pins: 4, seated: 4 }));
  expect(screen.getByLabelText('Fully seated: one more')).toBeDisabled();
  await press('Pins: one less');
  expect(made(step)).toEqual({ kind: 'slider-pins', pins: 3, seated: 3 });
});

test('an air test runs by the clock, and a run too short is said to be', async () => {
  jest.useFakeTimers({ now: Date.parse('2026-07-01T08:00:00Z') });
  try {
    const step: Step = { kind: 'air-test', axle: null, side: null, tyre: null, item: 'leak-released' };
    await hold(step, (now) => withText(now, step, 'start', '100'));
    await press('Start the clock');
    await act(async () => jest.advanceTimersByTime(20_000));
    expect(screen.getByText('0:20')).toBeTruthy();
    await press('Stop the clock');
    await press('9', '9');
    expect(made(step)).toMatchObject({ start: '100 psi', end: '99 psi', seconds: 20 });
    expect(screen.getByText('20 s is too short: let it run 60 s.')).toBeTruthy();
    await press('Start again');
    await act(async () => jest.advanceTimersByTime(61_000));
    await press('Stop the clock');
    expect(screen.getByText('Within limits')).toBeTruthy();
  } finally {
    jest.useRealTimers();
  }
});

test('where the book has no leak-down figure the clock names no time, and nothing passes', async () => {
  const step: Step = { kind: 'air-test', axle: null, side: null, tyre: null, item: 'leak-released' };
  await hold(step, (now) => {
    const gb = { ...now, rules: { book: 'gb', policies: {}, limits: [] } } as Draft;
    return withNote(withText(withText(gb, step, 'start', '100'), step, 'end', '99'), step, { seconds: 30 });
  });
  expect(screen.queryByText(/^of /)).toBeNull();
  expect(screen.getByText('1 psi in 30 s')).toBeTruthy();
  expect(screen.getByText('The book has no leak-down figure for this.')).toBeTruthy();
  expect(screen.getByText('No verdict')).toBeTruthy();
});

test('lining at each shoe: the first point past its limit decides, and a point may be not to be seen', async () => {
  const step = at('lining');
  await hold(step);
  await press('Each shoe or pad');
  await press('1/8');
  expect(made(step)).toBeNull();
  expect(judgeStep(draft, step).opinion?.verdict).toBe('violation');
  expect(screen.getByText('Regardless of the other points.')).toBeTruthy();
  for (const point of ['Upper shoe, inner end', 'Lower shoe, outer end', 'Lower shoe, inner end'])
    await press(`${point}: cannot be seen`);
  expect(made(step)).toMatchObject({ points: ['1/8 in'], unseen: 3 });
  await press('1/8');
  await press('1/2');
  expect(judgeStep(draft, step).opinion?.verdict).toBe('not-judged');
});

test('hub oil: all good is one tap, and a leak onto the lining turns it', async () => {
  const step = at('hub-oil');
  await hold(step);
  await press('Between marks, clear, dry');
  expect(answered).toMatchObject([{ level: 'between', condition: 'clear', leak: 'none' }]);
  await press('Level: Empty');
  await fireEvent.press(screen.getByText('Milky'));
  expect(made(step)).toMatchObject({ level: 'empty', condition: 'milky' });
  expect(judgeStep(draft, step).opinion?.verdict).not.toBe('within');
  // What was noted is not taken back and saved by one tap.
  await press('Between marks, clear, dry');
  expect(answered).toHaveLength(1);
  expect(judgeStep(draft, step).opinion?.verdict).toBe('within');
});

test('a hub without oil has no level to read', async () => {
  const step = at('hub-oil');
  const greased = two(step);
  const axles = greased.unit.axles.map((each) => ({ ...each, hub: 'grease' as const }));
  await render(<Held from={{ ...greased, unit: { ...greased.unit, axles } }} step={step} />);
  expect(screen.queryByLabelText('Level: Empty')).toBeNull();
  await press('Dry, no leak');
  expect(answered.at(-1)).toMatchObject({ leak: 'none' });
});

describe('what is asked about before it is believed', () => {
  const asked = async (props: Partial<ComponentProps<typeof Doubted>>) => {
    const said: string[] = [];
    await render(
      <Doubted
        what="1L lining"
        kind="lining"
        doubt={{ way: 'grown', by: 3_175_000 }}
        before={{ text: '3/8 in', on: '5 Nov' }}
        now="1/2 in"
        onConfirm={() => said.push('right')}
        onAgain={() => said.push('again')}
        onRenewed={null}
        onClose={() => said.push('close')}
        {...props}
      />,
    );
    await press('Yes, it is correct', 'Measure again');
    return said;
  };

  test('a lining that grew, beside what it was', async () => {
    expect(await asked({})).toEqual(['right', 'again']);
    expect(screen.getByText('3/8 in on 5 Nov, now 1/2 in: 1/8 in more.')).toBeTruthy();
    expect(screen.getByText(/^Lining does not get thicker/)).toBeTruthy();
  });

  test('a first reading that is hardly possible', async () => {
    await asked({ doubt: { way: 'too-much', by: 1 }, before: null, now: '7 in' });
    expect(screen.getByText('Thicker than any lining. Check what you typed.')).toBeTruthy();
    expect(screen.queryByText(/ now 7 in/)).toBeNull();
  });
});

test('a sign with a figure is read in the reader’s own units, what the catalog says beside it', async () => {
  mockUnits = METRIC_UNITS;
  await hold(at('check', 'wheel-look'));
  expect(screen.getByLabelText('Crack shorter than 76.2 mm (3 in)')).toBeTruthy();
  mockUnits = INCH_UNITS;
});
