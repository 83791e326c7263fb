import type { Said } from '@zealous-axle/core';
import { useWords } from '../session/rules';
import { Text } from './Text';

/** Why something is so, in the words and units of whoever reads. */
export function Because({ said }: { said: readonly Said[] }) {
  return <Text>{useWords()(said)}</Text>;
}
