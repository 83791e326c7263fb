import { COMMANDS, type DefectView, defectWords } from '@zealous-axle/core';
import { useState } from 'react';
import { v7 as uuidv7 } from 'uuid';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';

/** More that is known of a report: it stands beside what was signed, which stays. */
export function AddToReport({ defect }: { defect: DefectView }) {
  const [open, setOpen] = useState(false);
  const name = `${defectPlace(defect)}: ${defectWords(defect.code)}`;
  return (
    <>
      <Button
        look="bare"
        className="-my-2 ml-5 self-start"
        label="Add to it …"
        hint={name}
        onPress={() => setOpen(true)}
      />
      {open ? (
        <Drawer title={name} onClose={() => setOpen(false)}>
          <Text>The signed report does not change. Your addition goes below it with your name and the time.</Text>
          <WordsForm
            label="What else?"
            words={COMMANDS['add-to-report'].body.shape.words}
            act="Add it"
            onWords={(words) => {
              setOpen(false);
              void send(
                'add-to-report',
                { defect: defect.id, note: uuidv7(), words },
                `${defect.unit.number} ${name}: added to`,
              );
            }}
          />
        </Drawer>
      ) : null}
    </>
  );
}
