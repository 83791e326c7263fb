/** What can be found by eye: the defects, and the checks that lead to them. */
export * from './catalogue';
export * from './checks';
