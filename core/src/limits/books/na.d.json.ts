import type { Book } from '../book';

declare const na: Book;
export default na;
