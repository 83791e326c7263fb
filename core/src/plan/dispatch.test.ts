import fc from 'fast-check';
import { departureLine, odometerLine, parseDispatch } from './dispatch';

test('a departure is read as it was told', () => {
  const instant = fc
    .date({ min: new Date('2026-01-01'), max: new Date('2030-01-01'), noInvalidDate: true })
    .map((at) => at.toISOString());
  fc.assert(
    fc.property(
      fc.record({
        unit: fc.stringMatching(/^[A-Z]-\d{1,4}$/),
        at: fc.option(instant),
        to: fc.constantFrom('', 'Mill', 'Cold store'),
      }),
      (departure) => {
        const told = { tells: 'departure', ...departure, to: departure.at === null ? '' : departure.to };
        expect(parseDispatch(departureLine(told))).toEqual(told);
      },
    ),
  );
});

test('a meter is read with its unit and instant, and what is no distance is refused', () => {
  const told = { unit: 'H-15', at: '2026-03-04T13:30:00.000Z', value: '48 210 km' };
  expect(parseDispatch(odometerLine(told))).toEqual({ tells: 'meter', ...told });
  expect(parseDispatch('ZD1 reads H-15 2026-03-04T13:30:00Z 48210')).toMatchObject({
    wrong: expect.stringContaining('write a distance like'),
  });
  expect(parseDispatch('ZD1 reads H-15 never')).toHaveProperty('wrong');
});

test('what is no line is refused with what was expected', () => {
  expect(parseDispatch('H-15 leaves at seven')).toMatchObject({ wrong: expect.stringContaining('ZD1 leaves') });
  expect(parseDispatch('ZD1 leaves H-15 2026-03-04T07:30:00 Mill')).toMatchObject({
    wrong: '“2026-03-04T07:30:00” is not a time with its offset.',
  });
  expect(parseDispatch('ZD1 leaves H-15 2026-13-99T07:30:00Z')).toHaveProperty('wrong');
});
