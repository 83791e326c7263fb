import fc from 'fast-check';
import { departureLine, parseDeparture } from './dispatch';

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
        const told = departure.at === null ? { ...departure, to: '' } : departure;
        expect(parseDeparture(departureLine(told))).toEqual(told);
      },
    ),
  );
});

test('what is no line is refused with what was expected', () => {
  expect(parseDeparture('H-15 leaves at seven')).toMatchObject({ wrong: expect.stringContaining('ZD1 leaves') });
  expect(parseDeparture('ZD1 leaves H-15 2026-03-04T07:30:00 Mill')).toMatchObject({
    wrong: '“2026-03-04T07:30:00” is no instant with its offset.',
  });
  expect(parseDeparture('ZD1 leaves H-15 2026-13-99T07:30:00Z')).toHaveProperty('wrong');
});
