import type { CommandName } from '@zealous-axle/core';
import { useOutbox } from '../device/useOutbox';
import { Button } from './Button';
import { Notice } from './Notice';
import { Text } from './Text';

/** A secret that was drawn here for both sides to sign with: shown this once, and only when the server has it. */
export function DrawnSecret({ secret, by, under }: { secret: string; by: CommandName; under?: string }) {
  const { entries } = useOutbox();
  const waiting = entries.find(({ name, body }) => name === by && (body as { secret?: string }).secret === secret);
  if (waiting)
    return (
      <Notice look={waiting.refused ? 'stop' : 'ask'}>
        {waiting.refused ? 'Not saved.' : 'The secret appears when the server has it.'}
      </Notice>
    );
  return (
    <>
      <Notice look="ask">Give this secret to the other system. Shown only once.</Notice>
      <Text reading selectable>
        {secret}
      </Text>
      <Button label="Copy it" onPress={() => void navigator.clipboard.writeText(secret)} />
      {under ? (
        <Text size="small" selectable>
          {under}
        </Text>
      ) : null}
    </>
  );
}
