export { Gauges as default } from '../work/gauges/Gauges';
