export { Gauges as default } from '../work/inspection/Gauges';
