import { BOOKS } from '@zealous-axle/core';
import { limitWords, whereWords } from './words';

const words = (id: string) => {
  const limit = BOOKS.na.limits.find((each) => each.id === id);
  return limit ? `${whereWords(limit.where)}: ${limitWords(limit)}` : null;
};

test.each([
  ['stroke.clamp.30.long', '30 long stroke clamp chamber: not more than 2 1/2 in'],
  ['lining.steer.strip', 'Front wheels of a power unit, S-cam, wedge, one strip: not less than 3/16 in'],
  ['lining.hydraulic', 'hydraulic drum, hydraulic disc, electric: more than 1/16 in'],
  ['tread.other', 'Every other wheel: not less than 2/32 in'],
])('%s', (id, said) => expect(words(id)).toBe(said));

test('every limit of the book says what it applies to', () => {
  expect(BOOKS.na.limits.filter(({ where }) => whereWords(where) === '')).toEqual([]);
});
