export { TrailerScreen as default } from '../../work/trailer/TrailerScreen';
