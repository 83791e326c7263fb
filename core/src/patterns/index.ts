/** What several readings together suggest, and what to check next. */
export { type EarlierReading, earlierReadingSchema } from './earlier';
export { findPatterns, type Suggestion } from './find';
export { PATTERNS, type Pattern, patternSchema, WEARING_KINDS } from './pattern';
