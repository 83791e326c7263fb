/** Everything that is stored, a file for each part of the work. */
export * from './inspections';
export * from './people';
export * from './record';
export * from './repairs';
export * from './rules';
export * from './units';
