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
export { Report } from './work/defects/Report';
export { Forecast } from './work/forecast/Forecast';
export { UnitForecast } from './work/forecast/UnitForecast';
export { Combine } from './work/inspection/Combine';
export { Gauges } from './work/inspection/Gauges';
export { Inspect } from './work/inspection/Inspect';
export { VerdictSheet } from './work/inspection/sheet/VerdictSheet';
export { Bays } from './work/people/Bays';
export { Me } from './work/people/Me';
export { People } from './work/people/People';
export { SetUp } from './work/people/SetUp';
export { Plan } from './work/plan/Plan';
export { PlanPaper } from './work/plan/PlanPaper';
export { MoveIn } from './work/records/moving/MoveIn';
export { Paper } from './work/records/Printout';
export { Records } from './work/records/proof/Records';
export { SecurityLog } from './work/records/proof/SecurityLog';
export { ReadingFiles } from './work/records/ReadingFiles';
export { UnitFiles } from './work/records/UnitFiles';
export { FindRepairs } from './work/repair/FindRepairs';
export { JobPaper } from './work/repair/JobPaper';
export { Job } from './work/repair/job/Job';
export { OnTheRoad } from './work/repair/OnTheRoad';
export { ShopData } from './work/repair/ShopData';
export { LimitBook } from './work/rules/LimitBook';
export { Outside } from './work/rules/Outside';
export { OwnChecks } from './work/rules/OwnChecks';
export { RouteEditor } from './work/rules/RouteEditor';
export { Routes } from './work/rules/Routes';
export { FleetRulesScreen } from './work/rules/Rules';
export { Shop } from './work/shop/Shop';
export { TrailerScreen } from './work/trailer/TrailerScreen';
export { Trip } from './work/trailer/Trip';
export { Gone } from './work/units/Gone';
export { EditUnit, NewUnit } from './work/units/UnitEditor';
export { DayScreen } from './work/yard/Day';

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
