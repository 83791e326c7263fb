import {
  beginFactorSchema,
  confirmFactorSchema,
  endFactorSchema,
  type FactorOffer,
  type KeptCodes,
  mayHaveFactor,
} from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Path, Svg } from 'react-native-svg';
import { encode } from 'uqr';
import { Button } from '../../../parts/Button';
import { Card } from '../../../parts/Card';
import { Drawer } from '../../../parts/Drawer';
import { Field } from '../../../parts/Field';
import { Notice } from '../../../parts/Notice';
import { Text } from '../../../parts/Text';
import { call } from '../../../server/client';
import { useZodForm } from '../../../session/forms';
import { useSession } from '../../../session/session';
import { renewSession } from '../../../session/useFollowing';

/** An address as a square that a device reads. */
function Square({ address }: { address: string }) {
  const { data, size } = encode(address, { border: 2 });
  const dark = data.flatMap((row, y) => row.flatMap((on, x) => (on ? [`M${x} ${y}h1v1h-1z`] : [])));
  return (
    <Svg
      width={220}
      height={220}
      viewBox={`0 0 ${size} ${size}`}
      role="img"
      aria-label="The secret as a QR code. It is written out below"
      style={{ backgroundColor: '#fff', alignSelf: 'center' }}
    >
      <Path d={dark.join('')} fill="#000" />
    </Svg>
  );
}

const inFours = (secret: string): string => secret.match(/.{1,4}/g)?.join(' ') ?? secret;

function Password({ onOffer }: { onOffer: (offer: FactorOffer) => void }) {
  const { control, handleSubmit, setError, formState } = useZodForm(beginFactorSchema, { current: '' });
  const begin = handleSubmit((written) =>
    call<FactorOffer>('POST', '/session/factor', written)
      .then(onOffer)
      .catch((error: Error) => setError('root', { message: error.message })),
  );
  const problem = formState.errors.root?.message;
  return (
    <>
      <Text>
        Each sign-in will also need a six-digit code from your own device. Any authenticator (TOTP) app works.
      </Text>
      <Field control={control} name="current" label="Password" secureTextEntry autoComplete="current-password" />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button tall look="act" label="Begin" disabled={!formState.isValid} onPress={() => void begin()} />
    </>
  );
}

function Confirm({ offer, onCodes }: { offer: FactorOffer; onCodes: (codes: string[]) => void }) {
  const { control, handleSubmit, setError, formState } = useZodForm(confirmFactorSchema, { code: '' });
  const confirm = handleSubmit((written) =>
    call<KeptCodes>('POST', '/session/factor/confirm', written)
      .then(({ codes }) => onCodes(codes))
      .catch((error: Error) => setError('root', { message: error.message })),
  );
  const problem = formState.errors.root?.message;
  return (
    <>
      <Square address={offer.address} />
      <Text tone="soft">Scan it, or type this secret:</Text>
      <Text reading bold>
        {inFours(offer.secret)}
      </Text>
      <Field control={control} name="code" label="The six digits it shows now" inputMode="numeric" maxLength={8} />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button tall look="act" label="Turn on" disabled={!formState.isValid} onPress={() => void confirm()} />
    </>
  );
}

function Kept({ codes, onClose }: { codes: string[]; onClose: () => void }) {
  return (
    <>
      <Text>
        Shown once. If you lose the device, each of these works once instead of the digits. Keep them on paper.
      </Text>
      <View id="once-code">
        <Card>
          {codes.map((code) => (
            <Text key={code} reading bold>
              {code}
            </Text>
          ))}
        </Card>
      </View>
      <View className="flex-row gap-2">
        <Button className="grow" label="Print" onPress={() => window.print()} />
        <Button className="grow" look="act" label="I saved them" onPress={onClose} />
      </View>
    </>
  );
}

function End({ onClose }: { onClose: () => void }) {
  const { control, handleSubmit, setError, formState } = useZodForm(endFactorSchema, { current: '', code: '' });
  const end = handleSubmit((written) =>
    call('POST', '/session/factor/end', written)
      .then(onClose)
      .catch((error: Error) => setError('root', { message: error.message })),
  );
  const problem = formState.errors.root?.message;
  return (
    <>
      <Field control={control} name="current" label="Password" secureTextEntry autoComplete="current-password" />
      <Field control={control} name="code" label="The six digits, or a backup code" />
      {problem ? <Notice look="stop">{problem}</Notice> : null}
      <Button tall look="stop" label="Turn off" disabled={!formState.isValid} onPress={() => void end()} />
    </>
  );
}

/** A second factor for whoever runs the shop: begun, confirmed by a code, and ended. */
export function SecondFactor() {
  const { person } = useSession();
  const [open, setOpen] = useState(false);
  const [offer, setOffer] = useState<FactorOffer | null>(null);
  const [codes, setCodes] = useState<string[] | null>(null);
  if (!mayHaveFactor(person.role)) return null;
  const close = () => {
    setOpen(false);
    setOffer(null);
    setCodes(null);
    void renewSession();
  };
  return (
    <>
      <Button label={person.secondFactor ? 'Two-step sign-in: on' : 'Two-step sign-in'} onPress={() => setOpen(true)} />
      {open ? (
        <Drawer title="Two-step sign-in" onClose={close}>
          {codes ? (
            <Kept codes={codes} onClose={close} />
          ) : offer ? (
            <Confirm offer={offer} onCodes={setCodes} />
          ) : person.secondFactor ? (
            <End onClose={close} />
          ) : (
            <Password onOffer={setOffer} />
          )}
        </Drawer>
      ) : null}
    </>
  );
}
