export { RouteEditor as default } from '../../work/routes/RouteEditor';
