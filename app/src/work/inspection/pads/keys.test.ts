import {
  EIGHTHS,
  fractionOf,
  pressDigit,
  pressEighth,
  pressFraction,
  pressHalfStep,
  pressTape,
  pressWhole,
  SIXTEENTHS,
  wholeOf,
} from './keys';

test('a stroke is one or two taps: the usual whole inch is there already', () => {
  expect(pressFraction(1, '', '7/8')).toBe('1 7/8');
  expect(pressWhole('1 7/8', 2)).toBe('2 7/8');
  expect(pressWhole('', 2)).toBe('2');
});

test('a lining starts without a whole inch', () => {
  expect(pressFraction(0, '', '3/8')).toBe('3/8');
  expect(wholeOf(0, '3/8')).toBe(0);
});

test('a fraction pressed again is taken back', () => {
  expect(pressFraction(1, '1 7/8', '7/8')).toBe('1');
  expect(fractionOf('1')).toBeNull();
});

test('the line between two sixteenths', () => {
  expect(pressHalfStep(1, '1 7/8', 'in')).toBe('1 29/32');
  expect(pressHalfStep(0, '3/8', 'in')).toBe('13/32');
  expect(pressHalfStep(1, '', 'in')).toBe('1 1/32');
});

test('number keys', () => {
  expect(pressDigit('5', '.')).toBe('5.');
  expect(pressDigit('5.', '.')).toBe('5.');
  expect(pressDigit('5.5', '⌫')).toBe('5.');
  expect(pressDigit('123456789', '1')).toBe('123456789');
  expect(pressDigit('5', '±')).toBe('-5');
  expect(pressDigit('-5', '±')).toBe('5');
});

test('the sixteenths are reduced', () => {
  expect(SIXTEENTHS).toHaveLength(15);
  expect(SIXTEENTHS.slice(0, 4)).toEqual(['1/16', '1/8', '3/16', '1/4']);
});

test('inches of a tape: any whole ones by their digits, and the eighth beside them', () => {
  expect(EIGHTHS).toEqual(['1/8', '1/4', '3/8', '1/2', '5/8', '3/4', '7/8']);
  expect([...'41'].reduce(pressTape, '')).toBe('41');
  expect(pressEighth('41', '1/4')).toBe('41 1/4');
  expect(pressEighth('41 1/4', '1/4')).toBe('41');
  expect(pressEighth('41 1/4', '3/8')).toBe('41 3/8');
  expect(pressTape('4 1/4', '1')).toBe('41 1/4');
  expect(pressTape('41 1/4', '⌫')).toBe('41');
  expect(pressTape('41', '⌫')).toBe('4');
  expect(pressTape('4', '⌫')).toBe('');
});
