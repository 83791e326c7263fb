import type { Route } from '@zealous-axle/core';
import { useMemo } from 'react';
import { useSession } from '../../session/session';

/** The shop's own routes, as they stand. */
export function useOwnRoutes(): readonly Route[] {
  const { fleet } = useSession();
  return useMemo(() => fleet.routes.map(({ definition }) => definition), [fleet.routes]);
}
