/**
 * Everything a signed-in person uses, in one file beside the shell: it is fetched while they sign in, so that the shell
 * stands at once and no tap waits for a screen.
 */
import './look/paper.css';
import { type ComponentType, lazy, Suspense } from 'react';
import { Text } from './parts/Text';
import { TrailerPanel } from './work/trailer/TrailerScreen';
import { Yard as YardList } from './work/yard/Yard';

export { Frame } from './parts/Frame';
export { NotFound } from './parts/NotFound';
export { Bays } from './work/fleet/Bays';
export { Gone } from './work/fleet/Gone';
export { LimitBook } from './work/fleet/LimitBook';

export { Me } from './work/fleet/Me';
export { Outside } from './work/fleet/Outside';
export { People } from './work/fleet/people/People';
export { RouteEditor } from './work/fleet/RouteEditor';
export { Routes } from './work/fleet/Routes';
export { FleetRulesScreen } from './work/fleet/Rules';
export { SetUp } from './work/fleet/SetUp';
export { EditUnit, NewUnit } from './work/fleet/unit/UnitEditor';
export { Forecast } from './work/forecast/Forecast';
export { UnitForecast } from './work/forecast/UnitForecast';
export { Combine } from './work/inspection/Combine';
export { Gauges } from './work/inspection/Gauges';
export { Inspect } from './work/inspection/Inspect';
export { VerdictSheet } from './work/inspection/sheet/VerdictSheet';
export { Plan } from './work/plan/Plan';
export { PlanPaper } from './work/plan/PlanPaper';
export { Paper } from './work/records/Printout';
export { ReadingFiles } from './work/records/ReadingFiles';
export { UnitFiles } from './work/records/UnitFiles';
export { FindRepairs } from './work/repair/FindRepairs';
export { JobPaper } from './work/repair/JobPaper';
export { Job } from './work/repair/job/Job';
export { OnTheRoad } from './work/repair/OnTheRoad';
export { Shop } from './work/repair/Shop';
export { ShopData } from './work/repair/ShopData';
export { Report } from './work/report/Report';
export { TrailerScreen } from './work/trailer/TrailerScreen';
export { Trip } from './work/trailer/Trip';

type PracticeScreens = typeof import('./practice');
/** A screen of the practice yard, which is fetched when somebody practises. */
function practice(name: keyof PracticeScreens): ComponentType {
  const Screen = lazy(() => import('./practice').then((file) => ({ default: file[name] })));
  return () => (
    <Suspense fallback={<Text tone="soft">Opening the practice yard…</Text>}>
      <Screen />
    </Suspense>
  );
}
export const Practice = practice('Practice');
export const PracticeYard = practice('PracticeYard');
export const Debriefed = practice('Debriefed');
export const ByHeart = practice('ByHeart');
export const Examine = practice('Examine');
export const PracticeAir = practice('PracticeAir');
export const DrillRun = practice('DrillRun');
export const ClassRoom = practice('ClassRoom');

export const Yard = () => <YardList Panel={TrailerPanel} />;
