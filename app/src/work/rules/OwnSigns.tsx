import { type BookId, COMMANDS, defectWords, OWN_PRESSES, ownSignRefusal, severityOf } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { dayOf } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChoiceField } from '../../parts/ChoiceField';
import { ChooseSign } from '../../parts/ChooseSign';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { PRESSES_WORDS } from '../../parts/part-words';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';

const own = COMMANDS['set-own-sign'].body.shape;
const schema = z.object({ presses: z.enum(OWN_PRESSES), reason: own.reason });
/** Whether there is something to be stricter about. */
const mayTighten = (code: string, book: BookId): boolean =>
  OWN_PRESSES.some((presses) => ownSignRefusal(code, presses, book) === null);

function Stricter({ code, onClose }: { code: string; onClose: () => void }) {
  const { fleet } = useSession();
  const says = severityOf(code, fleet.book);
  const may = OWN_PRESSES.filter((presses) => ownSignRefusal(code, presses, fleet.book) === null);
  const { control, handleSubmit, formState } = useZodForm(schema, { presses: may[0] ?? 'hold', reason: '' });
  const set = handleSubmit(({ presses, reason }) => {
    onClose();
    const label = `${defectWords(code)}: ${PRESSES_WORDS[presses].toLowerCase()}`;
    void send('set-own-sign', { version: fleet.version, code, presses, reason }, label);
  });
  return (
    <Drawer title={defectWords(code)} onClose={onClose}>
      {says ? <Text tone="soft">{`The book: ${says.rule}.`}</Text> : null}
      <ChoiceField
        control={control}
        name="presses"
        label="In our shop"
        stacked
        options={may.map((value) => ({ value, label: PRESSES_WORDS[value] }))}
      />
      <Field control={control} name="reason" label="Why we are stricter" multiline maxLength={300} />
      <Button tall look="act" label="Set this rule" disabled={!formState.isValid} onPress={() => void set()} />
      <Text size="small" tone="soft">
        Open defects are weighed again. The book still decides what is a violation.
      </Text>
    </Drawer>
  );
}

function Withdraw({ code, onClose }: { code: string; onClose: () => void }) {
  const { fleet } = useSession();
  return (
    <Drawer title={`By the book again: ${defectWords(code)}`} onClose={onClose}>
      <Text>What is already on hold stays on hold until someone decides.</Text>
      <WordsForm
        label="Reason"
        words={COMMANDS['withdraw-own-sign'].body.shape.reason}
        act="By the book again"
        look="stop"
        onWords={(reason) => {
          onClose();
          void send(
            'withdraw-own-sign',
            { version: fleet.version, code, reason },
            `${defectWords(code)}: by the book again`,
          );
        }}
      />
    </Drawer>
  );
}

/** Signs the shop is stricter about than its book, with who said so and why. */
export function OwnSigns() {
  const { fleet } = useSession();
  const may = useMaySend('set-own-sign');
  const [choosing, setChoosing] = useState(false);
  const [code, setCode] = useState<string | null>(null);
  const [leaving, setLeaving] = useState<string | null>(null);
  if (!may && fleet.signs.length === 0) return null;
  return (
    <Card title={`${fleet.name}: signs we are stricter about`} note="Never looser than the book.">
      {fleet.signs.map((each) => (
        <View key={each.code} className="gap-1 border-t border-line py-2">
          <Text bold>{`${defectWords(each.code)}: ${PRESSES_WORDS[each.presses].toLowerCase()}`}</Text>
          <Text size="small" tone="soft">{`${each.reason} · ${each.by}, ${dayOf(each.at, fleet.zone)}`}</Text>
          {may ? (
            <Button
              look="stop"
              label="By the book again"
              hint={defectWords(each.code)}
              onPress={() => setLeaving(each.code)}
            />
          ) : null}
        </View>
      ))}
      {may ? <Button label="Add a stricter sign" onPress={() => setChoosing(true)} /> : null}
      {choosing ? (
        <ChooseSign
          title="A sign to be stricter about"
          none="No other sign matches. Signs that already hold are left out."
          fits={(each) => mayTighten(each, fleet.book)}
          onClose={() => setChoosing(false)}
          onChoose={(chosen) => {
            setChoosing(false);
            setCode(chosen);
          }}
        />
      ) : null}
      {code ? <Stricter code={code} onClose={() => setCode(null)} /> : null}
      {leaving ? <Withdraw code={leaving} onClose={() => setLeaving(null)} /> : null}
    </Card>
  );
}
