import { useQuery } from '@tanstack/react-query';
import { EXAM_CODE, type PracticeExam } from '@zealous-axle/core';
import { useState } from 'react';
import { send } from '../../device/outbox';
import { Card } from '../../parts/Card';
import { Notice } from '../../parts/Notice';
import { goBack } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { call, Refused } from '../../server/client';
import { type Mark, type Marked, MarkList } from './MarkList';
import { PracticeScreen } from './PracticeScreen';

type ExamCard = PracticeExam['cards'][number];

const given = ({ said, half }: ExamCard): Mark | null => (said === null ? null : half ? 'half' : said ? 'whole' : 'no');

function Marks({ exam }: { exam: PracticeExam }) {
  const [marks, setMarks] = useState<Record<string, Mark>>({});
  const mark = ({ id, point }: Marked, next: Mark) => {
    setMarks({ ...marks, [id]: next });
    const body = { exam: exam.id, card: id, said: next !== 'no', ...(next === 'half' ? { half: true as const } : {}) };
    void send('mark-exam', body, `${exam.learner}: ${point}`);
  };
  const kept = new Map(exam.cards.map((card) => [card.id, given(card)]));
  const markOf = ({ id }: { id: string }) => marks[id] ?? kept.get(id) ?? null;
  const done = exam.cards.filter((card) => markOf(card) !== null).length;
  return (
    <Card
      title={`${exam.learner}: ${exam.form}`}
      note={`${done} of ${exam.cards.length} marked, in any order. Half: the part without its state or its figure.`}
    >
      <MarkList cards={exam.cards} markOf={markOf} onMark={mark} />
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
    <PracticeScreen narrow title="Examine someone" back={goBack('/practice')}>
      {data && !data.own ? (
        <Marks exam={data} />
      ) : (
        <Card title="Their code" note="Six letters and digits, from the candidate’s phone.">
          <TextField label="Code" value={typed} maxLength={6} onChangeText={setTyped} />
          {data?.own ? (
            <Notice look="stop">You cannot grade your own exam. Someone else enters this code.</Notice>
          ) : null}
          {error ? (
            <Notice look="stop">
              {error instanceof Refused
                ? 'No exam with this code, or it is over.'
                : 'No connection. An exam on two phones needs a signal.'}
            </Notice>
          ) : null}
          {typed && !whole ? <Text tone="soft">Six letters and digits.</Text> : null}
        </Card>
      )}
    </PracticeScreen>
  );
}
