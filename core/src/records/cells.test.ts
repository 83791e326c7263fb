import fc from 'fast-check';
import { plainCell, wordsCell } from '.';

test.each(['=1+1', '+49 30', '-5 °F', '@sum', '\tx', "'=x", "''-x"])('“%s” is not run by a spreadsheet', (text) =>
  expect(wordsCell(text)).toMatch(/^'/),
);
test.each(['1 7/8 in', "'quoted", 'H-11', '', '6/32; 7/32'])('“%s” is written as it is', (text) =>
  expect(wordsCell(text)).toBe(text),
);
test('whatever is written is read back exactly, and begins with no formula', () =>
  fc.assert(
    fc.property(fc.oneof(fc.string(), fc.stringMatching(/^'*[=+\-@][ -~]*$/)), (text) => {
      expect(plainCell(wordsCell(text))).toBe(text);
      expect(wordsCell(text)).not.toMatch(/^[=+\-@\t\r]/);
    }),
  ));
