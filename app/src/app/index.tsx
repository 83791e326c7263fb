export { Yard as default } from '../work/yard/Yard';
