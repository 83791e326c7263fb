/** The shapes of everything that crosses the edge; types are inferred from them. */
export * from './commands';
export * from './csv';
export * from './gauge';
export * from './gear';
export * from './judge';
export * from './quantity';
export * from './reading';
export * from './views';
