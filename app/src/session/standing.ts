import {
  bookFor,
  isOpenDefect,
  type JudgeAnswer,
  judgeStanding,
  ofFittedParts,
  rulesFor,
  type Unit,
  type UnitPage,
} from '@zealous-axle/core';
import { useMemo } from 'react';
import { rulesOf } from './rules';
import { useSession } from './session';

const NONE: UnitPage['lives'] = [];

/** What a unit meets as it stands, by the fleet's rules: its standing readings and its open defects together. */
export function useJudgedStanding(
  unit: Unit,
  {
    standing,
    defects,
    features,
    lives = NONE,
  }: Pick<UnitPage, 'standing' | 'defects' | 'features'> & Partial<Pick<UnitPage, 'lives'>>,
): JudgeAnswer {
  const session = useSession();
  return useMemo(() => {
    const open = defects.filter(({ state }) => isOpenDefect(state));
    const fitted = ofFittedParts(lives, standing);
    return judgeStanding(bookFor(rulesFor(rulesOf(session), features)), unit, { standing: fitted, defects: open });
  }, [session, unit, standing, defects, features, lives]);
}

/** Of some units the ids of those that are out of service as they stand, by the fleet's rules. */
export function useOutOfUse(units: readonly UnitPage[]): ReadonlySet<string> {
  const session = useSession();
  return useMemo(() => {
    const out = units.filter((unit) => {
      const open = unit.defects.filter(({ state }) => isOpenDefect(state));
      const book = bookFor(rulesFor(rulesOf(session), unit.features));
      const { units: judged } = judgeStanding(book, unit, { standing: unit.standing, defects: open });
      return judged[0]?.verdict === 'out-of-service';
    });
    return new Set(out.map(({ id }) => id));
  }, [session, units]);
}
