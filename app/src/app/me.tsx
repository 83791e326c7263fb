export { Me as default } from '../work/me/Me';
