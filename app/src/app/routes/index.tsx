export { Routes as default } from '../../work/fleet/Routes';
