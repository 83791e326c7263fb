export { Shop as default } from '../work/shop/Shop';
