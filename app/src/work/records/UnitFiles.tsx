import { UNIT_COLUMNS, type UnitsPreview, unitColumnWords } from '@zealous-axle/core';
import { Linking, View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { goBack, Screen } from '../../parts/Screen';
import { Text } from '../../parts/Text';
import { useMaySend } from '../../session/may';
import { CsvImport } from './CsvImport';

const EXAMPLE =
  'H-11,semitrailer,Seed hopper,Low Marsh,king-pin; abs; built 2019,s-cam; clamp 30 long; automatic; dual; oil; air | same';
const MOST_NAMED = 12;
const WORDS = unitColumnWords();

/** Units as a file: out, and in with a preview that names every bad line. Fifty alike are fifty lines. */
export function UnitFiles() {
  return (
    <Screen narrow title="Units as a file" under="units.csv" back={goBack('/set-up')}>
      <Card
        title="Out"
        note="Every unit in use, in one file any spreadsheet opens. Differences at one wheel end and makers’ limits have no column."
      >
        <Button label="Save units.csv" onPress={() => void Linking.openURL('/api/v1/units.csv')} />
      </Card>
      <CsvImport<UnitsPreview>
        note={`Columns: ${UNIT_COLUMNS.join(', ')}. Parts by semicolons, axles by bars from the front, “same” for an axle like the one before.`}
        may={useMaySend('import-units')}
        mayNot="A foreman or a manager can bring units in."
        previewPath="/units.csv/preview"
        brings={({ units }) => (
          <Text>
            {`${units
              .slice(0, MOST_NAMED)
              .map(({ number }) => number)
              .join(', ')}${units.length > MOST_NAMED ? ` and ${units.length - MOST_NAMED} more` : ''}`}
          </Text>
        )}
        onTake={(file, label) => send('import-units', file, `Units from ${label}`)}
      />
      <Card title="A line looks like this">
        <Text reading>{UNIT_COLUMNS.join(',')}</Text>
        <Text reading>{EXAMPLE}</Text>
      </Card>
      <Card title="What each column may say">
        {UNIT_COLUMNS.map((column) => (
          <View key={column} className="border-t border-line pt-2">
            <Text bold>{column}</Text>
            <Text>{WORDS[column]}</Text>
          </View>
        ))}
      </Card>
    </Screen>
  );
}
