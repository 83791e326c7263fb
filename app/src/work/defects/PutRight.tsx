import { COMMANDS, type DefectView, defectWords, onTheSpot } from '@zealous-axle/core';
import { useState } from 'react';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { PhotoButton } from '../../parts/PhotoButton';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';

/** What whoever found it tied up there and then: closed with a photo, and no job. */
export function PutRight({ defect }: { defect: DefectView }) {
  const [open, setOpen] = useState(false);
  const [taken, setTaken] = useState(0);
  if (defect.state !== 'reported' || defect.holds || !onTheSpot(defect.code)) return null;
  const name = `${defectPlace(defect)}: ${defectWords(defect.code)}`;
  const photos = defect.photos.length + taken;
  return (
    <>
      <Button label="Tied up on the spot…" hint={name} onPress={() => setOpen(true)} />
      {open ? (
        <Drawer title={name} onClose={() => setOpen(false)}>
          <Text>
            Routed clear, covered and tied up, with slack for turns. A hose worn into its cords must be replaced
            instead.
          </Text>
          <PhotoButton
            unit={defect.unit.id}
            inspection={null}
            keyOf={null}
            defect={defect.id}
            label={`${defect.unit.number} ${name}: photo`}
            count={photos}
            onTaken={() => setTaken(taken + 1)}
          />
          {photos ? (
            <WordsForm
              label="What was done?"
              words={COMMANDS['put-right-here'].body.shape.done}
              act="Save as tied up"
              onWords={(done) => {
                setOpen(false);
                void send(
                  'put-right-here',
                  { defect: defect.id, version: defect.version, done },
                  `${defect.unit.number} ${name}: tied up on the spot`,
                );
              }}
            />
          ) : (
            <Text bold>First take a photo of the new routing.</Text>
          )}
        </Drawer>
      ) : null}
    </>
  );
}
