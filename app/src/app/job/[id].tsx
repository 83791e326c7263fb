export { Job as default } from '../../work/repair/Job';
