/** Limit books as data, and which of their limits applies where. */
export * from './book';
export { BOOK_IDS, BOOKS, type BookId } from './books';
export { keeps, limitFor, limitNm, limitsFor, marginOf } from './which';
