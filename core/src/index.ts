/** The trade itself: measuring, judging and the life of a repair. Pure: no clock, no randomness, no I/O. */
export * from './catalogue';
export * from './commands';
export * from './defects';
export * from './fleet';
export * from './inspection';
export * from './judge';
export * from './life';
export * from './limits';
export * from './measure';
export * from './patterns';
export * from './plan';
export * from './problem';
export * from './reading';
export * from './records';
export * from './repair';
export * from './trailer';
export * from './yard';
