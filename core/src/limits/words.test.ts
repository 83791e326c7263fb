import { BOOKS } from '.';
import { limitWords, whereWords } from './words';

const words = (id: string) => {
  const limit = BOOKS.na.limits.find((each) => each.id === id);
  return limit ? `${whereWords(limit)}: ${limitWords(limit)}` : null;
};

test.each([
  ['stroke.clamp.30.long', '30 long stroke clamp chamber: no more than 2 1/2 in'],
  ['lining.steer.strip', 'Front wheels of a power unit, S-cam, wedge, one strip: at least 3/16 in'],
  ['lining.hydraulic', 'Hydraulic drum, hydraulic disc, electric: more than 1/16 in'],
  ['tread.other', 'Every other wheel: at least 2/32 in'],
  ['leak.released.single', 'One vehicle: less than 2 psi a minute'],
  ['leak.suspension', 'Everywhere: no more than 3 psi in 5 min'],
  ['drum.16-5', 'From 16.500 in: no more than 16.620 in'],
])('%s', (id, said) => expect(words(id)).toBe(said));

test('every limit of every book says what it applies to', () => {
  for (const book of Object.values(BOOKS)) expect(book.limits.filter((limit) => whereWords(limit) === '')).toEqual([]);
});
