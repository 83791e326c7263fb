import { useQuery } from '@tanstack/react-query';
import { EXAM_CODE, type PracticeExam } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { goBack } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { call, Refused } from '../../server/client';
import { PracticeScreen } from './PracticeScreen';

type ExamCard = PracticeExam['cards'][number];

function Marks({ exam }: { exam: PracticeExam }) {
  const [given, setGiven] = useState<Record<string, boolean>>({});
  const mark = ({ id, point }: ExamCard, said: boolean) => {
    setGiven({ ...given, [id]: said });
    void send('mark-exam', { exam: exam.id, card: id, said }, `${exam.learner}: ${point}`);
  };
  const saidOf = (card: ExamCard) => given[card.id] ?? card.said;
  const done = exam.cards.filter((card) => saidOf(card) !== null).length;
  return (
    <Card title={`${exam.learner}: ${exam.form}`} note={`${done} of ${exam.cards.length} marked`}>
      {exam.cards.map((card) => {
        const said = saidOf(card);
        return (
          <View key={card.id} className="gap-2 border-t border-line py-2">
            <Text bold tone={said === null ? 'ink' : said ? 'within' : 'out'}>
              {`${card.point}${said === null ? '' : said ? ': said' : ': left out'}`}
            </Text>
            <Text size="small" tone="soft">
              {[...card.says, ...(card.figure ? [card.figure] : [])].join(' · ')}
            </Text>
            <View className="flex-row gap-2">
              <Button className="grow" label="Left out" hint={card.point} onPress={() => mark(card, false)} />
              <Button className="grow" look="act" label="Said" hint={card.point} onPress={() => mark(card, true)} />
            </View>
          </View>
        );
      })}
    </Card>
  );
}

/** Examines somebody who says a walk: by the code on their phone. */
export function Examine() {
  const [typed, setTyped] = useState('');
  const code = typed.trim().toUpperCase();
  const whole = EXAM_CODE.test(code);
  const { data, error } = useQuery({
    queryKey: ['practice', 'exam', code],
    queryFn: () => call<PracticeExam>('GET', `/practice/exams/${code}`),
    enabled: whole,
  });
  return (
    <PracticeScreen narrow title="Examine somebody" back={goBack('/practice')}>
      {data && !data.own ? (
        <Marks exam={data} />
      ) : (
        <Card title="Their code" note="Six letters and digits, from the phone of whoever is examined.">
          <TextField label="Code" value={typed} maxLength={6} onChangeText={setTyped} />
          {data?.own ? <Notice look="stop">Nobody marks their own exam: somebody else types this code.</Notice> : null}
          {error ? (
            <Notice look="stop">
              {error instanceof Refused
                ? 'There is no exam by this code, or it is over.'
                : 'The server cannot be reached: an exam by two phones takes a signal.'}
            </Notice>
          ) : null}
          {typed && !whole ? <Text tone="soft">Six letters and digits.</Text> : null}
        </Card>
      )}
    </PracticeScreen>
  );
}
