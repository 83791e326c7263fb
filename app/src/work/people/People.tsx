import { useQuery } from '@tanstack/react-query';
import { dayIn, type People as Everybody, mayManage, type PersonView } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Loaded } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { call } from '../../server/client';
import { useSession } from '../../session/session';
import { Code, type Given } from './Code';
import { Invite, Person } from './Person';
import { Rights } from './Rights';
import { ROLE_WORDS, STATE_WORDS } from './roles';
import { workLines } from './words';

/** Everybody of the fleet: invited by a code, changed, let go and let in again. */
export function People() {
  const { person, fleet } = useSession();
  const today = dayIn(fleet.zone, new Date());
  const query = useQuery({ queryKey: ['people'], queryFn: () => call<Everybody>('GET', '/people') });
  const [inviting, setInviting] = useState(false);
  const [changing, setChanging] = useState<PersonView | null>(null);
  const [given, setGiven] = useState<Given | null>(null);
  const tell = (next: Given) => {
    setInviting(false);
    setChanging(null);
    setGiven(next);
  };
  return (
    <Screen narrow title="People" under={fleet.name} back={goBack('/set-up')}>
      <Button tall look="act" label="Invite someone" onPress={() => setInviting(true)} />
      <Loaded query={query}>
        {({ people, slug }) => (
          <>
            <Card title="Everybody">
              {people.map((each) => (
                <View key={each.id} className="min-h-14 flex-row items-center gap-3 border-t border-line py-1">
                  <View className="min-w-0 flex-1">
                    <Text bold>{each.name}</Text>
                    <Text size="small" tone="soft">
                      {[ROLE_WORDS[each.role], `${each.signIn}@${slug}`, STATE_WORDS[each.state]]
                        .filter(Boolean)
                        .join(' · ')}
                    </Text>
                    {each.state === 'left'
                      ? null
                      : workLines(each.work, today).map(({ words, expired }) => (
                          <Text key={words} size="small" tone={expired ? 'out' : 'soft'}>
                            {words}
                          </Text>
                        ))}
                  </View>
                  {each.id !== person.id && mayManage(person.role, each.role) ? (
                    <Button look="bare" label="Change" hint={each.name} onPress={() => setChanging(each)} />
                  ) : null}
                </View>
              ))}
            </Card>
            {given ? <Code given={given} slug={slug} onClose={() => setGiven(null)} /> : null}
          </>
        )}
      </Loaded>
      <Rights />
      {inviting ? <Invite onDone={tell} onClose={() => setInviting(false)} /> : null}
      {changing ? <Person whom={changing} onCode={tell} onClose={() => setChanging(null)} /> : null}
    </Screen>
  );
}
