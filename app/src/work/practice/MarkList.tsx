import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Text, type Tone } from '../../parts/Text';

/** How one thing of a walk was said. */
export type Mark = 'whole' | 'half' | 'no';
const MARK_WORDS: Record<Mark, string> = { whole: 'said', half: 'half', no: 'left out' };
const TONES: Record<Mark, Tone> = { whole: 'within', half: 'shop', no: 'out' };

const BUTTONS: Record<Mark, string> = { no: 'Left out', half: 'Half', whole: 'Said' };
/** Half of what must not fail is nothing. */
const offered = (mustNotFail: boolean): readonly Mark[] => (mustNotFail ? ['no', 'whole'] : ['no', 'half', 'whole']);

export interface Marked {
  id: string;
  point: string;
  says: readonly string[];
  figure: string | null;
  mustNotFail: boolean;
}

interface Props {
  cards: readonly Marked[];
  markOf: (card: Marked) => Mark | null;
  onMark: (card: Marked, mark: Mark) => void;
}

/** Everything a walk has, marked in whatever order it was said. */
export function MarkList({ cards, markOf, onMark }: Props) {
  return cards.map((card) => {
    const mark = markOf(card);
    const { id, point, says, figure, mustNotFail } = card;
    return (
      <View key={id} className="gap-2 border-t border-line py-2">
        <Text bold tone={mark ? TONES[mark] : 'ink'}>{`${point}${mark ? `: ${MARK_WORDS[mark]}` : ''}`}</Text>
        <Text size="small" tone="soft">
          {[...says, ...(figure ? [figure] : [])].join(' · ')}
        </Text>
        <View className="flex-row gap-2">
          {offered(mustNotFail).map((each) => (
            <Button
              key={each}
              className="grow"
              look={mark === each ? 'act' : 'plain'}
              label={BUTTONS[each]}
              hint={point}
              onPress={() => onMark(card, each)}
            />
          ))}
        </View>
      </View>
    );
  });
}
