import { router } from 'expo-router';
import { Linking, View } from 'react-native';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';

/** A closed inspection as it leaves the program: on paper, or as a file. */
export function Files({ id }: { id: string }) {
  const open = (file: string) => void Linking.openURL(`/api/v1/inspections/${id}/${file}`);
  return (
    <Card title="Paper and files">
      <View className="flex-row flex-wrap gap-2">
        <Button className="grow" label="Print" onPress={() => router.navigate(`/paper/${id}`)} />
        <Button className="grow" label="PDF" onPress={() => open('inspection.pdf')} />
        <Button className="grow" label="JSON" onPress={() => open('inspection.json')} />
      </View>
    </Card>
  );
}
