import { useState } from 'react';
import { View } from 'react-native';
import { minutesWords } from '../../look/minutes';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Loaded, Together } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useParts, useShortParts, useTemplates } from '../../server/queries';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import { PartsRoom } from './PartsRoom';
import { ShortParts } from './ShortParts';
import { isShipped, NewTemplate, TemplateEditor } from './TemplateEditor';

/** How each kind of repair goes here, and what the parts room has: data that the shop changes. */
export function ShopData() {
  const { fleet } = useSession();
  const query = useTemplates();
  const [short, parts] = [useShortParts(), useParts()];
  const mayTemplate = useMaySend('save-template');
  const [open, setOpen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  return (
    <Screen narrow title="Work and parts" under={fleet.name} back={goBack('/set-up')}>
      <Card title="Repair templates" note="Starting figures are shop practice. Change them to match your shop.">
        <Loaded query={query} beside={[short, parts]}>
          {({ templates }) => (
            <>
              {templates.map(({ version, definition, clocked }) => (
                <View key={definition.id} className="min-h-12 flex-row items-center gap-2 border-t border-line">
                  <View className="min-w-0 flex-1">
                    <Text>{definition.name}</Text>
                    <Text size="small" tone="soft">
                      {[
                        minutesWords(definition.minutes.one),
                        definition.skill,
                        definition.wheelsOff ? 'wheels off' : '',
                        version ? (isShipped(definition) ? 'changed here' : 'our own') : '',
                      ]
                        .filter(Boolean)
                        .join(' · ')}
                    </Text>
                    {clocked ? (
                      <Text size="small" tone="soft">
                        {`By the clock ${clocked.ratio.toFixed(1)} times the standard, ${clocked.jobs} ${clocked.jobs === 1 ? 'job' : 'jobs'}`}
                      </Text>
                    ) : null}
                  </View>
                  {mayTemplate ? (
                    <Button look="bare" label="Change" hint={definition.name} onPress={() => setOpen(definition.id)} />
                  ) : null}
                </View>
              ))}
              {mayTemplate ? <Button label="Another kind of work…" onPress={() => setAdding(true)} /> : null}
              {templates
                .filter(({ definition }) => definition.id === open)
                .map(({ version, definition }) => (
                  <TemplateEditor
                    key={version}
                    version={version}
                    definition={definition}
                    onClose={() => setOpen(null)}
                  />
                ))}
              {adding ? (
                <NewTemplate
                  templates={templates.map(({ definition }) => definition)}
                  onClose={() => setAdding(false)}
                />
              ) : null}
            </>
          )}
        </Loaded>
      </Card>
      <Together of={[query, short, parts]}>
        <ShortParts />
        <PartsRoom />
      </Together>
    </Screen>
  );
}
