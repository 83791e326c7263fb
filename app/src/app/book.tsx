export { LimitBook as default } from '../work/book/LimitBook';
