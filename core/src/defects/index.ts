/** What can be wrong, what is looked at, and the life of a report. */
export * from './catalogue';
export * from './checks';
export * from './life';
export * from './seen';
