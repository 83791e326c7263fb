import { BOOKS, bookSchema } from '.';

test.each(Object.entries(BOOKS))('book %s has the published shape, and no id twice', (id, book) => {
  expect(bookSchema.parse(book)).toEqual(book);
  expect(book.id).toBe(id);
  const ids = [...book.limits, ...book.hubOil.rules].map((each) => each.id);
  expect(new Set(ids).size).toBe(ids.length);
});
