export { AXLE } from './axle';
