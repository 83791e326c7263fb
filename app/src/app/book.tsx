export { LimitBook as default } from '../work/fleet/LimitBook';
