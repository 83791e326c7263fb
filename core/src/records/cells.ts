/** What a spreadsheet would run, as it stands behind any marks of ours. */
const RUNS = /^'*[=+\-@\t\r]/;
const MARKED = /^'+[=+\-@\t\r]/;

/** A cell of a file as no spreadsheet runs it: what begins like a formula is marked as words. */
export const wordsCell = (text: string): string => (RUNS.test(text) ? `'${text}` : text);
/** The cell as it was before {@link wordsCell}. */
export const plainCell = (text: string): string => (MARKED.test(text) ? text.slice(1) : text);
