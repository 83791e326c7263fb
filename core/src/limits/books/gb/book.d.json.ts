import type { Book } from '../../book';

declare const book: Omit<Book, 'severities'>;
export default book;
