/** The practice yard, in a file of its own: fetched by whoever practises, and kept with the program. */
import { HeldPad } from './work/inspection/HeldPad';
import { AirCheck } from './work/practice/AirCheck';
import { YardWalk } from './work/practice/YardWalk';

export { ByHeart } from './work/practice/ByHeart';
export { ClassRoom } from './work/practice/ClassRoom';
export { Debriefed } from './work/practice/Debriefed';
export { DrillRun } from './work/practice/DrillRun';
export { Examine } from './work/practice/Examine';
export { Practice } from './work/practice/Practice';

export const PracticeYard = () => <YardWalk Pad={HeldPad} />;
export const PracticeAir = () => <AirCheck Pad={HeldPad} />;
