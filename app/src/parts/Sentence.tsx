import { useShown } from '../session/rules';
import { Text } from './Text';

/** A sentence of the judge or the catalogue, each quantity in it in the units of whoever reads. */
export function Sentence({ said }: { said: string }) {
  const { words } = useShown();
  return <Text>{words(said)}</Text>;
}
