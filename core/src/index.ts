/** The trade itself: measuring, judging and the life of a repair. Pure: no clock, no randomness, no I/O. */
export * from './defects';
export * from './gauge';
export * from './judge';
export * from './life';
export * from './limits';
export * from './measure';
export * from './paper';
export * from './patterns';
export * from './repair';
export * from './trailer';
export * from './wear';
export * from './wire';
