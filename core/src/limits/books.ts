import type { Book } from './book';
import gb from './books/gb.json';
import na from './books/na.json';

/** The books that ship with the program, by id. Their shape is proven by the tests beside them. */
export const BOOKS = { na: na as unknown as Book, gb: gb as unknown as Book } as const;
export type BookId = keyof typeof BOOKS;
export const BOOK_IDS = Object.keys(BOOKS) as [BookId, ...BookId[]];
