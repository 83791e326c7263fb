/** Electronic gauges: the open line protocol they speak. */
export { type Frame, frameKey, frameLine, GAUGE_STEP, parseFrame, type Taken, takeFrame } from './frame';
