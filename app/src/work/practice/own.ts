import type { Features, KeptCheck, Route } from '@zealous-axle/core';
import type { SaidOf, Speaking } from '@zealous-axle/core/practice';
import { useMemo } from 'react';
import { useSession } from '../../session/session';

/** What the shop has of its own to be practised: its routes, and the checks they ask for. */
export interface Own {
  routes: readonly Route[];
  checks: readonly KeptCheck[];
}

export function useOwn(): Own {
  const { routes, checks } = useSession().fleet;
  return useMemo(() => ({ routes: routes.map(({ definition }) => definition), checks }), [routes, checks]);
}

/** The words and figures the shop's cards go by, for one vehicle or a combination. */
export function useSpeaking(of: SaidOf = 'combination', features?: Features): Speaking {
  const { book, policies, phrases, checks } = useSession().fleet;
  return useMemo(
    () => ({ book, policies, phrases, checks, of, features }),
    [book, policies, phrases, checks, of, features],
  );
}
