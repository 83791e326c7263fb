/** How readings change from one time to the next. */
export { type Doubt, doubtOf } from './doubt';
