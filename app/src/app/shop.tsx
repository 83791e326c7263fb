export { Shop as default } from '../work/repair/Shop';
