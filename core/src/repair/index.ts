/** Jobs, measuring again, torque and release: what may follow what. */
export * from './job-life';
export * from './release';
export * from './remeasure';
