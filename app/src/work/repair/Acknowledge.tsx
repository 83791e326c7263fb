import { type DefectView, defectWords } from '@zealous-axle/core';
import { useState } from 'react';
import { send } from '../../device/outbox';
import { clock } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { defectPlace } from '../../parts/DefectRow';
import { Text } from '../../parts/Text';
import { useSession } from '../../session/session';

/** A certified repair that the next driver reads and acknowledges before the trip. */
export function Acknowledge({ defect }: { defect: DefectView }) {
  const { fleet } = useSession();
  const [sent, setSent] = useState(false);
  const place = defectPlace(defect);
  const acknowledge = () => {
    if (sent) return;
    setSent(true);
    void send(
      'acknowledge-repair',
      { defect: defect.id, version: defect.version },
      `${defect.unit.number}: repair at ${place} acknowledged`,
    );
  };
  return (
    <Card title="Certified repair" note={`${place}: ${defectWords(defect.code)}`}>
      {defect.certified ? (
        <>
          <Text>{defect.certified.statement}</Text>
          <Text
            size="small"
            tone="soft"
          >{`Signed by ${defect.certified.by}, ${clock(defect.certified.at, fleet.zone)}`}</Text>
        </>
      ) : null}
      <Button
        tall
        look="act"
        label={sent ? 'Acknowledged' : `I have seen the repair at ${place}`}
        onPress={acknowledge}
        disabled={sent}
      />
    </Card>
  );
}
