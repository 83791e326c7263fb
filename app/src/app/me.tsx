export { Me as default } from '../work/fleet/Me';
