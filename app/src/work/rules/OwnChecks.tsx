import { type KeptCheck, type OwnCheck, ownCheckOf, ownChecksSchema } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { pickFile, saveFile } from '../../device/files';
import { send } from '../../device/outbox';
import { useOutbox } from '../../device/useOutbox';
import { dayOf } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { CheckPicture } from '../../parts/CheckPicture';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Notice } from '../../parts/Notice';
import { PRESSES_WORDS } from '../../parts/part-words';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { OwnCheckEditor } from './OwnCheckEditor';

/** A file holds no pictures: another shop's server has none of ours. */
const withoutPicture = ({ picture: _, ...check }: OwnCheck): OwnCheck => check;

const asked = ({ version: _, saved: __, ...check }: KeptCheck): OwnCheck => check;

const figureWords = ({ unit, least, most }: NonNullable<OwnCheck['figure']>): string =>
  [least && `at least ${least}`, most && `at most ${most}`]
    .filter(Boolean)
    .join(', ')
    .concat(unit ? ` ${unit}` : '');

/** What a file brings, or why it brings nothing. */
function readChecks(text: string): OwnCheck[] | string {
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    return 'This file is not JSON.';
  }
  const checks = ownChecksSchema.safeParse((read as { checks?: unknown } | null)?.checks);
  if (checks.success) return checks.data;
  const [first] = checks.error.issues;
  return `Nothing was imported. ${first?.path.join(' ') || 'checks'}: ${first?.message}.`;
}

interface RowProps {
  check: KeptCheck;
  /** A change waits to be sent: another would be of an older version. */
  waits: boolean;
  onChange: () => void;
  onRemove: () => void;
}

function CheckRow({ check, waits, onChange, onRemove }: RowProps) {
  const { fleet } = useSession();
  const may = useMaySend('set-own-checks');
  return (
    <View className="gap-1 border-t border-line py-2">
      <Text bold>{check.name}</Text>
      <Text>{check.good}</Text>
      <CheckPicture check={check} />
      {check.signs.map(({ sign, presses }) => (
        <Text key={sign} size="small">{`${sign}: ${PRESSES_WORDS[presses].toLowerCase()}`}</Text>
      ))}
      {check.figure ? <Text size="small">{`Measured: ${figureWords(check.figure) || 'any figure'}`}</Text> : null}
      <Text size="small" tone="soft">
        {`Version ${check.version}, ${check.saved.by}, ${dayOf(check.saved.at, fleet.zone)}`}
      </Text>
      {may && !waits ? (
        <View className="flex-row flex-wrap gap-2">
          <Button className="grow" label="Change" hint={check.name} onPress={onChange} />
          <ConfirmButton label="Remove" ask={`Remove ${check.name}`} hint={check.name} onDo={onRemove} />
        </View>
      ) : null}
    </View>
  );
}

/** What the shop looks at besides what ships: made here, brought in, asked by its routes and reported like the rest. */
export function OwnChecks() {
  const { fleet } = useSession();
  const may = useMaySend('set-own-checks');
  const { entries } = useOutbox();
  const waits = entries.some(({ name }) => name === 'set-own-checks');
  const [open, setOpen] = useState<OwnCheck | 'new' | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const own = fleet.checks.map(asked);
  const set = (checks: OwnCheck[], label: string) =>
    void send('set-own-checks', { version: fleet.version, checks }, label);
  const save = (check: OwnCheck) => {
    setOpen(null);
    const others = own.filter(({ name }) => name !== check.name);
    set([...others, check], `Own check: ${check.name}`);
  };
  const bring = async () => {
    const file = await pickFile('.json,application/json');
    if (!file) return;
    const read = readChecks(await file.text());
    if (typeof read === 'string') return setSaid(read);
    const names = new Set(read.map(({ name }) => name));
    const kept = own.filter(({ name }) => !names.has(name));
    const pictured = read.map((check) => {
      const picture = ownCheckOf(own, check.name)?.picture;
      return { ...withoutPicture(check), ...(picture ? { picture } : {}) };
    });
    set([...kept, ...pictured], `${read.length} own checks from ${file.name}`);
    setSaid(`${read.length} checks imported. A check with the same name is replaced.`);
  };
  return (
    <Screen narrow title="Checks of our own" under={fleet.name} back={goBack('/set-up')}>
      {waits ? <Notice look="ask">A change is waiting to be sent.</Notice> : null}
      {said ? <Notice look="ask">{said}</Notice> : null}
      <Card
        title="Our own checks"
        note="Asked only where a route of our own includes them. They are reported and repaired like the rest. An inspection keeps the checks it used."
      >
        {fleet.checks.length === 0 ? <Text tone="soft">None yet.</Text> : null}
        {fleet.checks.map((check) => (
          <CheckRow
            key={check.name}
            check={check}
            waits={waits}
            onChange={() => setOpen(asked(check))}
            onRemove={() =>
              set(
                own.filter(({ name }) => name !== check.name),
                `Own check removed: ${check.name}`,
              )
            }
          />
        ))}
        {may ? <Button tall look="act" label="Add a check" disabled={waits} onPress={() => setOpen('new')} /> : null}
      </Card>
      <Card title="As a file" note="Without their pictures.">
        <Button
          label="Export as JSON"
          disabled={own.length === 0}
          onPress={() =>
            saveFile(
              'own-checks.json',
              JSON.stringify({ checks: own.map(withoutPicture) }, null, 2),
              'application/json',
            )
          }
        />
        {may ? <Button label="Import a JSON file…" disabled={waits} onPress={() => void bring()} /> : null}
      </Card>
      {open ? (
        <OwnCheckEditor
          check={open === 'new' ? null : open}
          taken={open === 'new' ? own.map(({ name }) => name) : []}
          onSave={save}
          onClose={() => setOpen(null)}
        />
      ) : null}
    </Screen>
  );
}
