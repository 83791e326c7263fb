export { ReadingFiles as default } from '../work/files/ReadingFiles';
