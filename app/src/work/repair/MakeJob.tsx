import { type DefectView, defectWords } from '@zealous-axle/core';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { DefectRow, defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { TextField } from '../../parts/TextField';
import { useUnit } from '../../server/queries';

const MINUTES = ['30', '60', '90', '120', '180', '240'].map((value) => ({ value, label: minutesWords(Number(value)) }));
const WHEELS = [
  { value: 'on', label: 'Wheels stay on' },
  { value: 'off', label: 'Wheels off', note: 'Torque is written down' },
] as const;

export function minutesWords(minutes: number): string {
  const hours = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return [hours ? `${hours} h` : '', rest ? `${rest} min` : ''].filter(Boolean).join(' ');
}

const titleOf = (defects: readonly DefectView[]): string =>
  defects
    .map((defect) => `${defectPlace(defect)} ${defectWords(defect.code).toLowerCase()}`)
    .join('; ')
    .slice(0, 120);

function Form({ defects, onClose }: { defects: readonly DefectView[]; onClose: () => void }) {
  const [left, setLeft] = useState<readonly string[]>([]);
  const chosen = defects.filter(({ id }) => !left.includes(id));
  const [title, setTitle] = useState<string | null>(null);
  const [minutes, setMinutes] = useState('90');
  const [busy, setBusy] = useState(false);
  const [wheels, setWheels] = useState<'on' | 'off'>('on');
  const [unit] = defects.map((defect) => defect.unit);
  const written = title ?? titleOf(chosen);
  if (!unit) return null;
  const make = async () => {
    if (busy) return;
    setBusy(true);
    const job = uuidv7();
    await send(
      'make-job',
      {
        job,
        unit: unit.id,
        title: written.trim(),
        defects: chosen.map(({ id, version }) => ({ defect: id, version })),
        minutes: Number(minutes),
        wheelsOff: wheels === 'off',
      },
      `${unit.number}: job made`,
    );
    onClose();
  };
  return (
    <Drawer title={`Job for ${unit.number}`} onClose={onClose}>
      {defects.map((defect) => {
        const taken = !left.includes(defect.id);
        return (
          <Pressable
            key={defect.id}
            role="checkbox"
            aria-checked={taken}
            aria-label={`${defectPlace(defect)} ${defectWords(defect.code)}`}
            onPress={() => setLeft(taken ? [...left, defect.id] : left.filter((id) => id !== defect.id))}
            className={`rounded-xl border-2 px-3 ${taken ? 'border-act bg-card' : 'border-line opacity-60'}`}
          >
            <DefectRow defect={defect} />
          </Pressable>
        );
      })}
      <TextField label="What is to be done" value={written} onChangeText={setTitle} maxLength={120} />
      <Choice label="Time needed" options={MINUTES} value={minutes} onChange={setMinutes} />
      <Choice label="Wheels" options={WHEELS} value={wheels} onChange={setWheels} />
      <Button
        tall
        look="act"
        label="Make this job"
        disabled={busy || chosen.length === 0 || written.trim() === ''}
        onPress={make}
      />
    </Drawer>
  );
}

/** The form for one trailer, with every defect it has to be repaired, also those of pages not shown yet. */
function FormOf({ unit, known, onClose }: { unit: string; known: readonly DefectView[]; onClose: () => void }) {
  const { data } = useUnit(unit);
  const all = data?.defects.filter(({ state }) => state === 'triaged') ?? [];
  return <Form defects={all.length > known.length ? all : known} onClose={onClose} />;
}

/** Defects to be repaired, by trailer, each trailer one tap from a job. */
export function ToRepair({ defects, mayPlan }: { defects: readonly DefectView[]; mayPlan: boolean }) {
  const [making, setMaking] = useState<string | null>(null);
  const units = [...new Map(defects.map(({ unit }) => [unit.id, unit])).values()];
  const of = (unit: string) => defects.filter((defect) => defect.unit.id === unit);
  return (
    <View>
      {units.length === 0 ? <Text tone="soft">Nothing waits for a job.</Text> : null}
      {units.map((unit) => (
        <View key={unit.id} className="gap-2 border-t border-line py-3">
          <LinkRow aria-label={`Open ${unit.number}`} href={`/trailer/${unit.id}`} className="min-h-11 justify-center">
            <Text bold size="lead">
              <Text bold size="lead">
                {unit.number}
              </Text>
              {`  ${unit.body}`}
            </Text>
          </LinkRow>
          {of(unit.id).map((defect) => (
            <Text
              key={defect.id}
            >{`${defectPlace(defect)}  ${defectWords(defect.code)}${defect.holds ? ' – holds' : ''}`}</Text>
          ))}
          {mayPlan ? <Button label={`Make a job for ${unit.number}`} onPress={() => setMaking(unit.id)} /> : null}
        </View>
      ))}
      {making ? <FormOf unit={making} known={of(making)} onClose={() => setMaking(null)} /> : null}
    </View>
  );
}
