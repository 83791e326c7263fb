/** What is outside: a port each, connections by open protocols, and stand-ins that say so and are chosen by name. */
export { connectionTo, setOutside } from './connections';
export { dispatchRoutes } from './dispatch-routes';
export { gaugeRoutes } from './gauge-routes';
export { openGauges } from './made-up-gauges';
export { MADE_UP_ANSWERS } from './made-up-road';
export { outsideMessage } from './schema';
export { outsideRoutes } from './set-up-routes';
export { postSigned, sendMessage, tellOutside } from './tell';
export { tellHeld } from './tell-dispatch';
export { type Told, toldRoutes } from './told-routes';
