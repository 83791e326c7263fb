import { type Book, bookSchema } from '../../../limits';
import book from './book.json';
import severities from './severities.json';

/** A book of no country, in millimetres, with severities of its own: made up, for tests. A book is a folder like this one. */
export const METRIC_BOOK: Book = bookSchema.parse({ ...book, severities });
