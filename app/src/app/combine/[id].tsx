export { Combine as default } from '../../work/inspection/Combine';
