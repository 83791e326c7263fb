import { useQuery } from '@tanstack/react-query';
import type { PracticeExam } from '@zealous-axle/core';
import { type ExamResult, examResult, type Form } from '@zealous-axle/core/practice';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Notice } from '../../parts/Notice';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { type Mark, MarkList } from './MarkList';
import { Says } from './Says';
import { useBegun } from './usePractice';

const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const newCode = (): string =>
  [...crypto.getRandomValues(new Uint8Array(6))].map((each) => LETTERS[each % LETTERS.length]).join('');

/** What an exam came to: points, what was left out, what must not fail. */
function Result({ result }: { result: ExamResult }) {
  return (
    <Card title={result.passed ? 'Passed' : 'Not passed'}>
      <Text reading bold size="title">{`${result.points} of ${result.of}`}</Text>
      {result.failedOn.length ? (
        <Notice look="stop">{`Required items left out: ${result.failedOn.map(({ point }) => point).join(', ')}.`}</Notice>
      ) : null}
      {result.leftOut.map((card) => (
        <View key={card.id} className="gap-1 border-t border-line py-2">
          <Text bold>{card.point}</Text>
          <Says card={card} />
        </View>
      ))}
      <Button tall label="Print" onPress={() => window.print()} />
    </Card>
  );
}

/** The list hidden, shown one by one as it is said. */
function OneByOne({ form, onEnd }: { form: Form; onEnd: (said: string[], half: string[]) => void }) {
  const [come, keep] = useBegun<{ at: number; said: string[]; half?: string[] }>('say', form.id);
  const [open, setOpen] = useState(false);
  if (come === undefined) return null;
  const { at, said, half = [] } = come ?? { at: 0, said: [] };
  const card = form.cards[at];
  if (!card) return null;
  const mark = (known: 'whole' | 'half' | 'no') => {
    const next = known === 'whole' ? [...said, card.id] : said;
    const halves = known === 'half' ? [...half, card.id] : half;
    const last = at + 1 >= form.cards.length;
    keep(last ? null : { at: at + 1, said: next, half: halves });
    setOpen(false);
    if (last) onEnd(next, halves);
  };
  return (
    <>
      <Card title={`${at + 1} of ${form.cards.length}`} note={card.section}>
        {open ? (
          <>
            <Text bold size="lead">
              {card.point}
            </Text>
            <Says card={card} />
            <Text size="small" tone="soft">
              {card.mustNotFail
                ? 'Half of this counts as nothing.'
                : 'Half: the part without its state or its figure. Other words with the same content count.'}
            </Text>
          </>
        ) : (
          <Text tone="soft">Point at the next item and say what you check. Then look.</Text>
        )}
      </Card>
      {open ? (
        <View className="flex-row gap-2">
          <Button tall className="grow" label="Left it out" onPress={() => mark('no')} />
          {card.mustNotFail ? null : <Button tall className="grow" label="Half" onPress={() => mark('half')} />}
          <Button tall className="grow" look="act" label="Said it" onPress={() => mark('whole')} />
        </View>
      ) : (
        <Button tall look="act" label="Show it" onPress={() => setOpen(true)} />
      )}
    </>
  );
}

/** Said whole, in whatever order, and then held beside the list: what is not marked was left out. */
function AllAtOnce({ form, onEnd }: { form: Form; onEnd: (said: string[], half: string[]) => void }) {
  const [come, keep] = useBegun<{ marks: Record<string, Mark> }>('say-all', form.id);
  if (come === undefined) return null;
  if (come === null)
    return (
      <>
        <Card title="Say all of it aloud" note="In any order. Nothing is shown until you have said it all.">
          <Text tone="soft">{`${form.cards.length} things to point at.`}</Text>
        </Card>
        <Button tall look="act" label="I have said it all" onPress={() => keep({ marks: {} })} />
      </>
    );
  const { marks } = come;
  const of = (mark: Mark) => form.cards.flatMap(({ id }) => (marks[id] === mark ? [id] : []));
  const open = form.cards.length - Object.keys(marks).length;
  const end = () => {
    keep(null);
    onEnd(of('whole'), of('half'));
  };
  return (
    <>
      <Card title="What you said" note="Other words with the same content count.">
        <MarkList
          cards={form.cards}
          markOf={({ id }) => marks[id] ?? null}
          onMark={({ id }, mark) => keep({ marks: { ...marks, [id]: mark } })}
        />
      </Card>
      {open ? <Notice look="ask">{`${open} not marked: they count as left out.`}</Notice> : null}
      <Button tall look="act" label="That was all" onPress={end} />
    </>
  );
}

const ORDERS = [
  { value: 'one', label: 'One after another' },
  { value: 'all', label: 'In any order' },
] as const;

/** Marked by oneself: asked one by one in the order of the walk, or said whole in any order. */
function ByOneself(props: { form: Form; onEnd: (said: string[], half: string[]) => void }) {
  const [order, setOrder] = useState<(typeof ORDERS)[number]['value']>('one');
  return (
    <>
      <Choice hideLabel label="In which order" options={ORDERS} value={order} onChange={setOrder} />
      {order === 'one' ? <OneByOne {...props} /> : <AllAtOnce {...props} />}
    </>
  );
}

/** Marked by somebody with a phone of their own: they type this code, and mark what they hear. */
function ByOther({ form, onEnd }: { form: Form; onEnd: (said: string[], half: string[]) => void }) {
  const [exam] = useState(() => ({ id: uuidv7(), code: newCode() }));
  const [opened, setOpened] = useState(false);
  const { data } = useQuery({
    queryKey: ['practice', 'exam', exam.code],
    queryFn: () => call<PracticeExam>('GET', `/practice/exams/${exam.code}`),
    enabled: opened,
    refetchInterval: 5_000,
    retry: true,
  });
  const open = () => {
    setOpened(true);
    const cards = form.cards.map(({ id, point, says, figure, mustNotFail }) => ({
      id,
      point,
      says,
      figure,
      mustNotFail,
    }));
    void send('open-exam', { exam: exam.id, code: exam.code, form: form.name, cards }, `Exam: ${form.name}`);
  };
  if (!opened)
    return (
      <Card title="Examined by someone else" note="They need a phone signed in to this shop, and a signal.">
        <Button tall look="act" label="Start the exam" onPress={open} />
      </Card>
    );
  const marked = data?.cards.filter(({ said }) => said !== null) ?? [];
  return (
    <>
      <Card title="Their code" note="On their phone: Practice, Examine someone.">
        <Text reading bold size="title" selectable>
          {exam.code}
        </Text>
        <Text tone="soft">{data ? `${marked.length} of ${form.cards.length} marked.` : 'Opening…'}</Text>
      </Card>
      <Button
        tall
        label="The exam is over"
        disabled={marked.length === 0}
        onPress={() =>
          onEnd(
            marked.flatMap(({ id, said, half }) => (said && !half ? [id] : [])),
            marked.flatMap(({ id, half }) => (half ? [id] : [])),
          )
        }
      />
    </>
  );
}

/** A walk said aloud, marked by oneself or by somebody else, with its points. */
export function SayIt({ form, task, by }: { form: Form; task: string | null; by: 'self' | 'other' }) {
  const [result, setResult] = useState<ExamResult | null>(null);
  const [began] = useState(() => Date.now());
  const end = (said: string[], half: string[] = []) => {
    const told = examResult(form, said, half);
    setResult(told);
    const left = new Set(told.leftOut.map(({ id }) => id));
    void send(
      'finish-practice',
      {
        result: uuidv7(),
        task,
        exercise: { what: 'by-heart', seed: 0, level: null, of: form.id.slice(0, 80), vehicle: by },
        marks: told.marks,
        seconds: Math.min(86_400, Math.round((Date.now() - began) / 1_000)),
        items: form.cards.slice(0, 400).map(({ id, point }) => ({ item: point.slice(0, 120), right: !left.has(id) })),
        off: [],
      },
      `Walk-around by heart: ${form.name}`,
    );
  };
  if (result) return <Result result={result} />;
  return by === 'self' ? <ByOneself form={form} onEnd={end} /> : <ByOther form={form} onEnd={end} />;
}
