export { Paper as default } from '../../work/paper/Paper';
