export { Combine as default } from '../../work/combine/Combine';
