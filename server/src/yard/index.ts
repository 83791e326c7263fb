/** Every unit as it stands, and one with all that is known of it. */
export { keepYard, rebuildYard } from './keep';
export { unitRoutes } from './routes';
