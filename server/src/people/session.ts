import type { Session } from '@zealous-axle/core';
import { fleetLimits, fleetRoutes } from '../rules';
import type { Actor } from '../run';
import type { FleetStore } from '../store';

/** The whole session: with the limits the fleet judges by and the routes it walks. */
export const sessionOf = async (store: FleetStore, { person: who, fleet: ours }: Actor): Promise<Session> => ({
  person: who,
  fleet: { ...ours, limits: await fleetLimits(store), routes: await fleetRoutes(store) },
});
