/** Text that any database keeps and any screen shows. Alone, so that a form needs nothing else of the trade. */

const HALF_PAIR = /\p{Cs}/gu;
const NUL = '\0';

/** Whether a text has no sign that no database keeps and no screen shows: NUL, or half of a surrogate pair. */
export const isReadable = (text: string): boolean => readableText(text) === text;
/** A text without such signs. */
export const readableText = (text: string): string => text.replaceAll(NUL, '').replace(HALF_PAIR, '');
