import { type ImportPreview, READING_COLUMNS } from '@zealous-axle/core';
import { Linking } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useMaySend } from '../../session/may';
import { CsvImport } from './CsvImport';

/** Readings as a file: out, and in with a preview that names every bad line. */
export function ReadingFiles() {
  return (
    <Screen title="Readings as a file" under="readings.csv" back={goBack('/me')}>
      <Card title="Out" note="Every current reading of the fleet, in one file any spreadsheet opens.">
        <Button label="Save readings.csv" onPress={() => void Linking.openURL('/api/v1/readings.csv')} />
      </Card>
      <CsvImport<ImportPreview>
        note={`Columns: ${READING_COLUMNS.join(', ')}. Times like 2026-03-02T12:00:00Z.`}
        may={useMaySend('import-readings')}
        mayNot="A foreman or a manager can bring readings in."
        previewPath="/readings.csv/preview"
        brings={({ units }) =>
          units.map(({ number, readings }) => (
            <Text key={number}>{`${number}: ${readings} ${readings === 1 ? 'reading' : 'readings'}`}</Text>
          ))
        }
        onTake={(file, label) => send('import-readings', file, `Readings from ${label}`)}
      />
    </Screen>
  );
}
