export { Job as default } from '../../work/job/Job';
