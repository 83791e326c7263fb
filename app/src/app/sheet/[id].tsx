export { VerdictSheet as default } from '../../work/inspection/sheet/VerdictSheet';
