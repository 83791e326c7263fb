import { COMMANDS, comeBackCode, type DefectView, defectWords } from '@zealous-axle/core';
import { router } from 'expo-router';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { type Picture, sendPictures } from '../../device/photos';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { Choice } from '../../parts/Choice';
import { defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { Pictures } from '../../parts/Pictures';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { useSession } from '../../session/session';

const nameOf = (defect: DefectView): string => `${defectPlace(defect)}: ${defectWords(defect.code)}`;

const seen = ({ id, version, unit, ...at }: DefectView): Promise<void> =>
  send('acknowledge-repair', { defect: id, version }, `${unit.number}: repair at ${defectPlace(at)} acknowledged`);

/** It is reported again, as come back from this repair: its words are the driver's. */
async function stillWrong(defect: DefectView, words: string, photos: readonly Picture[]): Promise<void> {
  const { axle, side, tyre, unit } = defect;
  const body = {
    defect: uuidv7(),
    unit: unit.id,
    code: comeBackCode(defect),
    place: { axle, side, tyre },
    words,
    comeBackOf: defect.id,
  };
  await send('report-defect', body, `${unit.number}: ${nameOf(defect)} still wrong`);
  await sendPictures(photos, { unit: unit.id, defect: body.defect }, `${unit.number}: photo of ${nameOf(defect)}`);
  await seen(defect);
}

/** What is still wrong of a repair, in the words of whoever sees it, with photos. */
function StillWrong({ defects, onClose }: { defects: readonly DefectView[]; onClose: (done: boolean) => void }) {
  const [first] = defects;
  const [which, setWhich] = useState(first?.id ?? '');
  const [photos, setPhotos] = useState<readonly Picture[]>([]);
  const chosen = defects.find(({ id }) => id === which);
  return (
    <Drawer title="Still wrong" onClose={() => onClose(false)}>
      {defects.length > 1 ? (
        <Choice
          stacked
          label="Which of them?"
          options={defects.map((each) => ({ value: each.id, label: nameOf(each) }))}
          value={which}
          onChange={setWhich}
        />
      ) : null}
      <WordsForm
        label="What do you see, hear or feel?"
        words={COMMANDS['dismiss-defect'].body.shape.reason}
        act="Report it again"
        onWords={(words) => {
          onClose(true);
          if (chosen) void stillWrong(chosen, words, photos);
        }}
      >
        <Pictures photos={photos} onPhoto={(picture) => setPhotos((before) => [...before, picture])} />
      </WordsForm>
    </Drawer>
  );
}

/** A certified job that the next driver reads: all of it acknowledged in one tap, or what is still wrong said. */
function CertifiedJob({ defects }: { defects: readonly DefectView[] }) {
  const { fleet } = useSession();
  const [sent, setSent] = useState(false);
  const [asking, setAsking] = useState(false);
  const [first] = defects;
  if (!first) return null;
  const { certified, job } = first;
  const acknowledge = () => {
    if (sent) return;
    setSent(true);
    for (const defect of defects) void seen(defect);
  };
  const label =
    defects.length === 1
      ? `I have seen the repair at ${defectPlace(first)}`
      : `I have seen these ${defects.length} repairs`;
  return (
    <Card title="Certified repair" note={defects.length === 1 ? nameOf(first) : undefined}>
      {defects.length > 1 ? defects.map((each) => <Text key={each.id}>{`• ${nameOf(each)}`}</Text>) : null}
      {certified ? (
        <>
          <Text>{certified.statement}</Text>
          <Text size="small" tone="soft">{`Signed by ${certified.by}, ${clock(certified.at, fleet.zone)}`}</Text>
        </>
      ) : null}
      <Button tall look="act" label={sent ? 'Acknowledged' : label} onPress={acknowledge} disabled={sent} />
      <Button label="Still wrong…" hint={defectPlace(first)} onPress={() => setAsking(true)} disabled={sent} />
      {job ? <Button look="bare" label="What was done" onPress={() => router.navigate(`/job/${job}`)} /> : null}
      {asking ? (
        <StillWrong
          defects={defects}
          onClose={(done) => {
            setAsking(false);
            if (done && defects.length === 1) setSent(true);
          }}
        />
      ) : null}
    </Card>
  );
}

/** Certified repairs that nobody acknowledged yet, a job each. */
export function Certified({ defects }: { defects: readonly DefectView[] }) {
  const jobs = [...new Set(defects.map(({ job }) => job))];
  return jobs.map((job) => <CertifiedJob key={job} defects={defects.filter((each) => each.job === job)} />);
}
