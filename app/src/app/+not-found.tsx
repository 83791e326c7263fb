export { NotFound as default } from '../parts/NotFound';
