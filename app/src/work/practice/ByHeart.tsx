import type { UnitPage } from '@zealous-axle/core';
import {
  answered,
  type CardGrade,
  type Form,
  FRESH_CARDS,
  formsOf,
  GRADES,
  type Learnt,
  type SaidOf,
  toRecall,
} from '@zealous-axle/core/practice';
import { router, useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { allPractice, keepPractice } from '../../device/practice';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { Loaded } from '../../parts/Loaded';
import { goBack } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useUnit } from '../../server/queries';
import { useSession } from '../../session/session';
import { OurPhrase } from './OurPhrase';
import { useOwn, useSpeaking } from './own';
import { PracticeScreen } from './PracticeScreen';
import { SayIt } from './SayIt';
import { Says } from './Says';

const GRADE_WORDS: Record<CardGrade, string> = { again: 'Not known', hard: 'Hardly', good: 'Known', easy: 'At once' };
const MODES = [
  { value: 'learn', label: 'Learn' },
  { value: 'recall', label: 'Recall' },
  { value: 'say', label: 'Say it' },
  { value: 'exam', label: 'Exam' },
] as const;
type Mode = (typeof MODES)[number]['value'];
const OF_WHAT = [
  { value: 'combination', label: 'A combination' },
  { value: 'single', label: 'One vehicle' },
] as const;

/** Station by station: what to point at, and what to say. */
function Learn({ form }: { form: Form }) {
  const sections = [...new Set(form.cards.map(({ section }) => section))];
  const [at, setAt] = useState(0);
  const section = sections[at] ?? '';
  return (
    <>
      <Card title={section} note={`${at + 1} of ${sections.length}`}>
        {form.cards
          .filter((card) => card.section === section)
          .map((card) => (
            <View key={card.id} className="gap-1 border-t border-line py-2">
              <Text bold>{card.point}</Text>
              <Says card={card} />
              <OurPhrase card={card} />
            </View>
          ))}
      </Card>
      <View className="flex-row gap-2">
        <Button tall className="grow" label="Back" disabled={at === 0} onPress={() => setAt(at - 1)} />
        <Button
          tall
          className="grow"
          look="act"
          label="Next station"
          disabled={at >= sections.length - 1}
          onPress={() => setAt(at + 1)}
        />
      </View>
    </>
  );
}

/** What is remembered of each card, on this device. */
function useLearnt(): [ReadonlyMap<string, Learnt> | null, (learnt: Learnt) => void] {
  const { person } = useSession();
  const [known, setKnown] = useState<ReadonlyMap<string, Learnt> | null>(null);
  useEffect(() => {
    void allPractice<Learnt>(person.id, 'card/').then((all) => setKnown(new Map(all.map((each) => [each.card, each]))));
  }, [person.id]);
  const keep = (learnt: Learnt) => {
    setKnown((before) => new Map(before ?? []).set(learnt.card, learnt));
    void keepPractice(person.id, `card/${learnt.card}`, learnt);
  };
  return [known, keep];
}

/** Cards when they are due: the better known, the later they come back. */
function Recall({ form }: { form: Form }) {
  const [known, keep] = useLearnt();
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState<string[] | null>(null);
  useEffect(() => {
    if (known && asked === null) setAsked(toRecall(form.cards, known, new Date(), FRESH_CARDS));
  }, [known, asked, form]);
  if (!asked || !known) return null;
  const card = form.cards.find(({ id }) => id === asked[0]);
  if (!card)
    return (
      <Card title="Nothing more for now">
        <Text>Cards come back on their own; the better you knew one, the later.</Text>
        <Button
          label="Show new ones anyway"
          onPress={() => setAsked(form.cards.filter(({ id }) => !known.has(id)).map(({ id }) => id))}
        />
      </Card>
    );
  const grade = (given: CardGrade) => {
    const next = answered(card.id, known.get(card.id) ?? null, given, new Date());
    keep(next);
    setOpen(false);
    setAsked(given === 'again' ? [...asked.slice(1), card.id] : asked.slice(1));
  };
  return (
    <>
      <Card title={card.point} note={`${card.section} · ${asked.length} left`}>
        {open ? <Says card={card} /> : <Text tone="soft">What do you say?</Text>}
      </Card>
      {open ? (
        <View className="flex-row flex-wrap gap-2">
          {GRADES.map((each) => (
            <Button
              key={each}
              tall
              className="grow"
              look={each === 'good' ? 'act' : 'plain'}
              label={GRADE_WORDS[each]}
              onPress={() => grade(each)}
            />
          ))}
        </View>
      ) : (
        <Button tall look="act" label="Show it" onPress={() => setOpen(true)} />
      )}
    </>
  );
}

/** The walk by heart: the parts an examiner sets, and the shop's own routes. */
export function ByHeart() {
  const { unit } = useLocalSearchParams<{ unit?: string }>();
  return unit ? <OfUnit id={unit} /> : <Forms unit={null} />;
}

/** The same of one unit: what is kept of it is said with it. */
function OfUnit({ id }: { id: string }) {
  const query = useUnit(id);
  return <Loaded query={query}>{(unit) => <Forms unit={unit} />}</Loaded>;
}

function Forms({ unit }: { unit: UnitPage | null }) {
  const { of, task } = useLocalSearchParams<{ of?: string; task?: string }>();
  const own = useOwn().routes;
  const [saidOf, setSaidOf] = useState<SaidOf>('combination');
  const speaking = useSpeaking(saidOf, unit?.features);
  const forms = useMemo(
    () => formsOf(own, speaking).filter(({ kinds }) => !unit || kinds.includes(unit.kind)),
    [own, speaking, unit],
  );
  const [chosen, setChosen] = useState<string | null>(of ?? null);
  const [mode, setMode] = useState<Mode>(task ? 'say' : 'learn');
  const form = forms.find(({ id }) => id === chosen);
  if (!form)
    return (
      <PracticeScreen
        narrow
        title="Walk-around by heart"
        under={unit ? `${unit.number}: the sentence includes its data` : undefined}
        back={goBack(unit ? `/trailer/${unit.id}` : '/practice')}
      >
        <Card
          title="Which part?"
          note="As examiners set them, and the shop’s own routes: change a route, and its cards follow."
        >
          {forms.map(({ id, name, cards }) => (
            <Button key={id} tall label={name} hint={`${cards.length} things`} onPress={() => setChosen(id)} />
          ))}
        </Card>
      </PracticeScreen>
    );
  return (
    <PracticeScreen
      narrow
      title={form.name}
      under={[unit?.number, `${form.cards.length} things to point at`].filter(Boolean).join(', ')}
      back={() => (of ? router.back() : setChosen(null))}
      backLabel="Back"
    >
      <Choice hideLabel label="Of what" options={OF_WHAT} value={saidOf} onChange={setSaidOf} />
      <Choice hideLabel label="How" options={MODES} value={mode} onChange={setMode} />
      {mode === 'learn' ? <Learn form={form} /> : null}
      {mode === 'recall' ? <Recall key={form.id} form={form} /> : null}
      {mode === 'say' ? <SayIt key={`${form.id} say`} form={form} task={task ?? null} by="self" /> : null}
      {mode === 'exam' ? <SayIt key={`${form.id} exam`} form={form} task={task ?? null} by="other" /> : null}
    </PracticeScreen>
  );
}
