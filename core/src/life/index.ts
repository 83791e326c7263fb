/** Life cycles as tables: state, act, who may, next state, and what the act needs. Server and app ask the same table. */
export * from './act';
export * from './command';
