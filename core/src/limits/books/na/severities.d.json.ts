import type { Book } from '../../book';

declare const severities: Book['severities'];
export default severities;
