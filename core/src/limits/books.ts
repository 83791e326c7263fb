import gb from './books/gb.json';
import na from './books/na.json';

/** The books that ship with the program, by id. Their shape is proven by the tests beside them. */
export const BOOKS = { na, gb } as const;
export type BookId = keyof typeof BOOKS;
export const BOOK_IDS = Object.keys(BOOKS) as [BookId, ...BookId[]];
