import { TrailerPanel } from '../work/trailer/TrailerScreen';
import { Yard } from '../work/yard/Yard';

export default () => <Yard Panel={TrailerPanel} />;
