export { ReadingFiles as default } from '../work/records/ReadingFiles';
