/** What can be wrong, and the life of a report. */
export * from './catalogue';
export * from './life';
export * from './seen';
