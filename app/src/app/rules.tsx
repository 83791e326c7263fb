export { FleetRulesScreen as default } from '../work/rules/Rules';
