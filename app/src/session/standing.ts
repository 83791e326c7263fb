import {
  bookFor,
  isOpenDefect,
  type JudgeAnswer,
  judgeStanding,
  rulesFor,
  type Unit,
  type UnitPage,
} from '@zealous-axle/core';
import { useMemo } from 'react';
import { rulesOf } from './rules';
import { useSession } from './session';

/** What a unit meets as it stands, by the fleet's rules: its standing readings and its open defects together. */
export function useJudgedStanding(
  unit: Unit,
  { standing, defects, features }: Pick<UnitPage, 'standing' | 'defects' | 'features'>,
): JudgeAnswer {
  const session = useSession();
  return useMemo(() => {
    const open = defects.filter(({ state }) => isOpenDefect(state));
    return judgeStanding(bookFor(rulesFor(rulesOf(session), features)), unit, { standing, defects: open });
  }, [session, unit, standing, defects, features]);
}
