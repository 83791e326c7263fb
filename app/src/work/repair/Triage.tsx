import { COMMANDS, type DefectView, severityOf } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { DefectRow, defectPlace } from '../../parts/DefectRow';
import { Drawer } from '../../parts/Drawer';
import { Text } from '../../parts/Text';
import { WordsForm } from '../../parts/WordsForm';
import { useSession } from '../../session/session';

const HOLD = [
  { value: 'yes', label: 'Hold the trailer', note: 'It is not used until this is certified' },
  { value: 'no', label: 'It can wait', note: 'Repair when it next comes in' },
] as const;

/** The foreman's answer to one report: hold or not, or dismiss it with the reason. */
function Answer({ defect, onClose }: { defect: DefectView; onClose: () => void }) {
  const { fleet } = useSession();
  const rule = severityOf(defect.code, defect.unit.features.book ?? fleet.book);
  const suggested = rule?.verdict === 'out-of-service' || rule?.verdict === 'violation' || defect.holds;
  const [holds, setHolds] = useState<'yes' | 'no'>(suggested ? 'yes' : 'no');
  const [dismissing, setDismissing] = useState(false);
  const head = { defect: defect.id, version: defect.version };
  const where = `${defect.unit.number}: ${defectPlace(defect)}`;
  const repair = () => {
    onClose();
    void send('triage-defect', { ...head, holds: holds === 'yes' }, `${where} to be repaired`);
  };
  const dismiss = (reason: string) => {
    onClose();
    void send('dismiss-defect', { ...head, reason }, `${where} dismissed`);
  };
  return (
    <Drawer title={where} onClose={onClose}>
      <DefectRow defect={defect} />
      {rule ? (
        <Text
          size="small"
          tone="soft"
        >{`${rule.rule}: ${rule.verdict.replaceAll('-', ' ')}${rule.share ? ', counts as a defective brake' : ''}`}</Text>
      ) : null}
      {dismissing ? (
        <>
          <WordsForm
            label="Why is it no defect?"
            words={COMMANDS['dismiss-defect'].body.shape.reason}
            act="Dismiss this report"
            look="stop"
            onWords={dismiss}
          />
          <Button label="Back" onPress={() => setDismissing(false)} />
        </>
      ) : (
        <>
          <Choice stacked label="Until it is repaired" options={HOLD} value={holds} onChange={setHolds} />
          <Button tall look="act" label="To be repaired" onPress={repair} />
          <Button label="Dismiss …" onPress={() => setDismissing(true)} />
        </>
      )}
    </Drawer>
  );
}

/** Reports nobody has answered yet. */
export function Triage({ defects, mayTriage }: { defects: readonly DefectView[]; mayTriage: boolean }) {
  const [answering, setAnswering] = useState<DefectView | null>(null);
  return (
    <View>
      {defects.length === 0 ? <Text tone="soft">Every report is answered.</Text> : null}
      {defects.map((defect) => (
        <DefectRow key={defect.id} defect={defect} withUnit>
          {mayTriage ? (
            <Button
              label={`Answer ${defect.unit.number} ${defectPlace(defect)}`}
              onPress={() => setAnswering(defect)}
            />
          ) : null}
        </DefectRow>
      ))}
      {answering ? <Answer defect={answering} onClose={() => setAnswering(null)} /> : null}
    </View>
  );
}
