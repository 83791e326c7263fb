export { RouteEditor as default } from '../../work/fleet/RouteEditor';
