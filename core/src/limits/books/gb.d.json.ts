import type { Book } from '../book';

declare const gb: Book;
export default gb;
