export { Routes as default } from '../../work/routes/Routes';
