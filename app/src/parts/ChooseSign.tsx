import { CATALOGUE, defectWords, ownCode, severityOf } from '@zealous-axle/core';
import { useState } from 'react';
import { Pressable } from 'react-native';
import { useSession } from '../session/session';
import { Drawer } from './Drawer';
import { Search } from './Search';
import { Text } from './Text';
import { VerdictMark } from './VerdictMark';

/** Signs shown at once: the search narrows them. */
const SHOWN = 12;

interface Props {
  title: string;
  /** Which may be chosen. */
  fits: (code: string) => boolean;
  /** Said where none is left. */
  none: string;
  onChoose: (code: string) => void;
  onClose: () => void;
}

/** Chooses a sign of the catalogue by its words. */
export function ChooseSign({ title, fits, none, onChoose, onClose }: Props) {
  const { fleet } = useSession();
  const [text, setText] = useState('');
  const asked = text.trim().toLowerCase();
  const own = fleet.checks.flatMap(({ name, signs: each }) => each.map(({ sign }) => ({ code: ownCode(name, sign) })));
  const signs = [...own, ...CATALOGUE].filter(
    ({ code }) => fits(code) && defectWords(code).toLowerCase().includes(asked),
  );
  return (
    <Drawer title={title} onClose={onClose}>
      <Search hint="Search: flap, lamp, seal" text={text} onChange={setText} />
      {signs.slice(0, SHOWN).map(({ code }) => (
        <Pressable
          key={code}
          role="button"
          aria-label={defectWords(code)}
          onPress={() => onChoose(code)}
          className="min-h-12 flex-row items-center gap-3 rounded-xl border-2 border-edge bg-card px-3 py-1.5"
        >
          <VerdictMark verdict={severityOf(code, fleet.book)?.verdict ?? 'not-judged'} size={22} />
          <Text className="min-w-0 flex-1">{defectWords(code)}</Text>
        </Pressable>
      ))}
      {signs.length > SHOWN ? (
        <Text tone="soft">{`${signs.length - SHOWN} more. Search to narrow it down.`}</Text>
      ) : null}
      {signs.length === 0 ? <Text tone="soft">{none}</Text> : null}
    </Drawer>
  );
}
