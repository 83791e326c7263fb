export { Paper as default } from '../../work/records/Printout';
