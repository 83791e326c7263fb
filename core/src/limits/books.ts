import type { Book } from './book';
import gb from './books/gb/book.json';
import gbSeverities from './books/gb/severities.json';
import na from './books/na/book.json';
import naSeverities from './books/na/severities.json';

/**
 * The books that ship with the program, by id: a folder each, with its limits and what it says of each sign. Their shape is
 * proven by the tests beside them.
 */
const SHIPPED = { na: { ...na, severities: naSeverities }, gb: { ...gb, severities: gbSeverities } } as const;

export type BookId = keyof typeof SHIPPED;
export const BOOKS: Readonly<Record<BookId, Book>> = SHIPPED;
export const BOOK_IDS = Object.keys(SHIPPED) as [BookId, ...BookId[]];
/** The book of a fleet that has not said. */
export const DEFAULT_BOOK: BookId = 'na';

export const isBookId = (id: string): id is BookId => Object.hasOwn(SHIPPED, id);
