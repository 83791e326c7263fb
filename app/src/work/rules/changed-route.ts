import { routeSchema } from '@zealous-axle/core';
import { z } from 'zod';

/** A route as it is being changed, and the version it was changed from. */
export const changedSchema = z.object({ route: routeSchema, version: z.int() });
export type Changed = z.infer<typeof changedSchema>;
