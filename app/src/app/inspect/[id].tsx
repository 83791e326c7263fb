export { Inspect as default } from '../../work/inspection/Inspect';
