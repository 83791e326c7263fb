/** Every unit as it stands in the yard, and all that is known of one. */
export * from './views';
