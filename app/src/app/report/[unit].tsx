export { Report as default } from '../../work/report/Report';
