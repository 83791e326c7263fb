/** Every unit as it stands in the yard, and all that is known of one. */
export { type Day as ShopDay, daySchema } from './day';
export * from './views';
