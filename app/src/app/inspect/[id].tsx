export { Inspect as default } from '../../work/inspect/Inspect';
