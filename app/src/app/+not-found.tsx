export { Lost as default } from '../parts/Lost';
