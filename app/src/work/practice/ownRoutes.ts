import type { Route } from '@zealous-axle/core';
import type { SaidOf, Speaking } from '@zealous-axle/core/practice';
import { useMemo } from 'react';
import { useSession } from '../../session/session';

/** The shop's own routes, as they stand. */
export function useOwnRoutes(): readonly Route[] {
  const { fleet } = useSession();
  return useMemo(() => fleet.routes.map(({ definition }) => definition), [fleet.routes]);
}

/** The words and figures the shop's cards go by, for one vehicle or a combination. */
export function useSpeaking(of: SaidOf = 'combination'): Speaking {
  const { book, policies, phrases, checks } = useSession().fleet;
  return useMemo(() => ({ book, policies, phrases, checks, of }), [book, policies, phrases, checks, of]);
}
