import { type Hook, hookUrlText } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../../device/outbox';
import { exactly } from '../../../look/dates';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { ConfirmButton } from '../../../parts/ConfirmButton';
import { DrawnSecret } from '../../../parts/DrawnSecret';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { TextField } from '../../../parts/TextField';
import { newSecret } from '../../../session/new-secret';
import { useSession } from '../../../session/session';

function One({ hook, onSecret }: { hook: Hook; onSecret: (secret: string) => void }) {
  const { fleet } = useSession();
  const turn = () => {
    const secret = newSecret();
    void send('set-hook', { hook: hook.id, version: hook.version, url: hook.url, secret }, 'New secret for events');
    onSecret(secret);
  };
  return (
    <View className="gap-2 border-t border-line pt-2">
      <Text bold selectable>
        {hook.url}
      </Text>
      <Text
        size="small"
        tone="soft"
      >{`${hook.set.by}, ${exactly(hook.set.at, fleet.zone)} · took up to entry ${hook.taken}`}</Text>
      {hook.problem ? <Notice look="stop">{`Not taken: ${hook.problem}. It is sent again.`}</Notice> : null}
      {hook.turnsOver ? (
        <Text size="small">{`The previous secret also works until ${exactly(hook.turnsOver, fleet.zone)}.`}</Text>
      ) : null}
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="New secret" hint={hook.url} onPress={turn} />
        <ConfirmButton
          label="Disconnect"
          ask="Disconnect it"
          hint={hook.url}
          onDo={() => void send('end-hook', { hook: hook.id, version: hook.version }, 'Events no longer sent')}
        />
      </View>
    </View>
  );
}

/** Systems of the fleet's own that are told of every event. */
export function Hooks({ hooks }: { hooks: readonly Hook[] }) {
  const [url, setUrl] = useState<string | null>(null);
  const [secret, setSecret] = useState<string | null>(null);
  const wrong = url !== null && url.trim() !== '' && !hookUrlText.safeParse(url).success;
  const connect = () => {
    const drawn = newSecret();
    void send(
      'set-hook',
      { hook: uuidv7(), version: 0, url: url?.trim() ?? '', secret: drawn },
      'Events sent to our system',
    );
    setSecret(drawn);
    setUrl(null);
  };
  return (
    <Card title="Your own systems" note="Each event is sent, signed, as in docs/events-protocol.md">
      {hooks.length === 0 ? <Text tone="soft">None connected</Text> : null}
      {hooks.map((hook) => (
        <One key={hook.id} hook={hook} onSecret={setSecret} />
      ))}
      {secret ? <DrawnSecret secret={secret} by="set-hook" /> : null}
      {url === null ? (
        <Button label="Connect a system" onPress={() => setUrl('')} />
      ) : (
        <>
          <TextField
            label="Its address"
            value={url}
            onChangeText={setUrl}
            placeholder="https://"
            inputMode="url"
            maxLength={300}
            error={wrong ? 'Write an address like https://example.org/events' : null}
          />
          <Button tall look="act" label="Connect" disabled={wrong || url.trim() === ''} onPress={connect} />
          <Button label="Cancel" onPress={() => setUrl(null)} />
        </>
      )}
    </Card>
  );
}
