import { type Axle, isPowerUnit, type UnitKind } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { ChamberChooser } from '../../parts/ChamberChooser';
import { Choice } from '../../parts/Choice';
import { FigureText } from '../../parts/FigureText';
import { Notice } from '../../parts/Notice';
import { TextField } from '../../parts/TextField';
import { Toggle } from '../../parts/Toggle';
import { useUnits } from '../../session/rules';
import {
  axleWords,
  BRAKE_WORDS,
  HUB_WORDS,
  hasChamber,
  LINING_WORDS,
  optionsOf,
  SUSPENSION_WORDS,
  TYRE_WORDS,
} from './words';

interface Props {
  axle: Axle;
  /** From 1 at the front. */
  place: number;
  kind: UnitKind;
  /** What the form says is wrong with it, by field. */
  wrong: Partial<Record<keyof Axle, string>>;
  onChange: (axle: Axle) => void;
  onRemove: (() => void) | null;
  /** Makes it the same as the axle before. */
  onSame: (() => void) | null;
}

type Written = 'slack' | 'tyreSize' | 'target' | 'sidewallMax';
const WRITTEN: Record<Written, string> = {
  tyreSize: 'Tire size, as on the sidewall',
  target: 'Cold pressure, like 100 psi',
  sidewallMax: 'Sidewall maximum, like 120 psi',
  slack: 'Slack adjuster length, like 5 1/2 in',
};

/** What may be written besides: each left empty is not known. */
function Figures({ axle, wrong, onChange }: Pick<Props, 'axle' | 'wrong' | 'onChange'>) {
  const { length, pressure } = useUnits();
  const unitOf = { tyreSize: null, target: pressure, sidewallMax: pressure, slack: length };
  return (Object.keys(WRITTEN) as Written[]).map((name) => {
    const unit = unitOf[name];
    const field = {
      label: WRITTEN[name],
      value: axle[name] ?? '',
      maxLength: 40,
      error: axle[name] ? (wrong[name] ?? null) : null,
    };
    const change = (text: string) => {
      const { [name]: _, ...rest } = axle;
      onChange(text === '' ? rest : { ...rest, [name]: text });
    };
    return unit ? (
      <FigureText key={name} {...field} unit={unit} onValue={change} />
    ) : (
      <TextField key={name} {...field} onChangeText={change} />
    );
  });
}

/** Everything fitted at one axle. Shut it says it in a line. */
export function AxleCard({ axle, place, kind, wrong, onChange, onRemove, onSame }: Props) {
  const [open, setOpen] = useState(false);
  const change = (some: Partial<Axle>) => onChange({ ...axle, ...some });
  const problems = Object.values(wrong);
  return (
    <Card
      title={`Axle ${place}`}
      note={axleWords(axle)}
      right={
        <Button look="bare" label={open ? 'Done' : 'Change'} hint={`axle ${place}`} onPress={() => setOpen(!open)} />
      }
    >
      {problems.length && !open ? <Notice look="stop">{problems.join(' ')}</Notice> : null}
      {onSame && !open ? <Button label={`Same as axle ${place - 1}`} hint={`axle ${place}`} onPress={onSame} /> : null}
      {open ? (
        <View className="gap-4">
          <Choice
            label="Brake"
            pairs
            options={optionsOf(BRAKE_WORDS)}
            value={axle.brake}
            onChange={(brake) => change({ brake })}
          />
          {hasChamber(axle.brake) ? (
            <>
              <ChamberChooser value={axle.chamber ?? null} onChange={(chamber) => change({ chamber })} />
              {axle.chamber ? (
                <Button label="Not known yet" hint="chamber" onPress={() => change({ chamber: null })} />
              ) : null}
              <Choice
                label="Slack adjuster"
                options={[
                  { value: 'automatic', label: 'Automatic' },
                  { value: 'manual', label: 'Manual' },
                ]}
                value={axle.adjuster ?? null}
                onChange={(adjuster) => change({ adjuster })}
              />
            </>
          ) : null}
          <Choice
            label="Tires"
            options={optionsOf(TYRE_WORDS)}
            value={axle.tyres}
            onChange={(tyres) => change({ tyres })}
          />
          <Choice label="Hubs" options={optionsOf(HUB_WORDS)} value={axle.hub} onChange={(hub) => change({ hub })} />
          <Choice
            label="Suspension"
            options={optionsOf(SUSPENSION_WORDS)}
            value={axle.suspension ?? null}
            onChange={(suspension) => change({ suspension })}
          />
          <Choice
            label="Lining"
            options={optionsOf(LINING_WORDS)}
            value={axle.liningStyle ?? null}
            onChange={(liningStyle) => change({ liningStyle })}
          />
          <View className="flex-row gap-2">
            <Toggle
              label="Lift axle"
              on={axle.lift === true}
              onChange={(lift) => change({ lift: lift || undefined })}
            />
            {isPowerUnit(kind) ? (
              <Toggle label="Steers" on={axle.steer ?? place === 1} onChange={(steer) => change({ steer })} />
            ) : null}
          </View>
          <Figures axle={axle} wrong={wrong} onChange={onChange} />
          {onRemove ? <Button look="stop" label={`Remove axle ${place}`} onPress={onRemove} /> : null}
        </View>
      ) : null}
    </Card>
  );
}
