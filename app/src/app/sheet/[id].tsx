export { VerdictSheet as default } from '../../work/sheet/VerdictSheet';
