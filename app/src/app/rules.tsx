export { FleetRulesScreen as default } from '../work/fleet/Rules';
