import { COMMANDS, NO_WORK, type PersonView, personWorkSchema } from '@zealous-axle/core';
import { v7 as uuidv7 } from 'uuid';
import { z } from 'zod';
import { send } from '../../device/outbox';
import { Button } from '../../parts/Button';
import { ChoiceField } from '../../parts/ChoiceField';
import { ConfirmButton } from '../../parts/ConfirmButton';
import { Drawer } from '../../parts/Drawer';
import { Field } from '../../parts/Field';
import { Text } from '../../parts/Text';
import { useZodForm } from '../../session/forms';
import { useMaySend } from '../../session/may';
import { useSession } from '../../session/session';
import type { Given } from './Code';
import { onceCode } from './once-code';
import { rolesFor } from './roles';
import { WorkField } from './WorkField';

const invited = COMMANDS['invite-person'].body;
const inviteSchema = z.object({
  signIn: invited.shape.signIn,
  ...invited.shape.form.shape,
  work: personWorkSchema,
});

/** Somebody new: a name, what they sign in as, a role, and what work they do. */
export function Invite({ onDone, onClose }: { onDone: (given: Given) => void; onClose: () => void }) {
  const { person } = useSession();
  const { control, handleSubmit, formState, watch } = useZodForm(inviteSchema, {
    signIn: '',
    name: '',
    role: 'driver',
    work: NO_WORK,
  });
  const invite = handleSubmit(async ({ signIn, ...form }) => {
    const code = onceCode();
    await send('invite-person', { person: uuidv7(), signIn, form, code }, `${form.name} invited`);
    onDone({ name: form.name, signIn, code });
  });
  return (
    <Drawer title="Invite someone" onClose={onClose}>
      <Field control={control} name="name" label="Name" maxLength={60} />
      <Field control={control} name="signIn" label="Signs in as" placeholder="wyn.castellan" maxLength={39} />
      <ChoiceField control={control} name="role" label="Role" pairs options={rolesFor(person.role)} />
      <WorkField control={control} name="work" folded={watch('role') === 'driver'} />
      <Button tall look="act" label="Invite" disabled={!formState.isValid} onPress={() => void invite()} />
    </Drawer>
  );
}

const changeSchema = COMMANDS['set-person'].body.shape.form.extend({ work: personWorkSchema });

interface Props {
  whom: PersonView;
  onCode: (given: Given) => void;
  onClose: () => void;
}

/** One person: name, role and work, a new code, and leaving. */
export function Person({ whom, onCode, onClose }: Props) {
  const { id, version, name, signIn } = whom;
  const mayForget = useMaySend('forget-person');
  const reset = () => {
    const code = onceCode();
    void send('reset-person', { person: id, version, code }, `${name}: a new code`);
    onCode({ name, signIn, code });
  };
  const forget = () => {
    onClose();
    void send('forget-person', { person: id, version }, 'A name removed from the records');
  };
  const leave = (left: boolean) => {
    onClose();
    void send('set-person-left', { person: id, version, left }, `${name}: ${left ? 'left' : 'back'}`);
  };
  return (
    <Drawer title={name} onClose={onClose}>
      {whom.state === 'left' ? (
        <>
          <Text>Left the fleet: stays in the records, cannot sign in. Needs a new code to come back.</Text>
          <Button tall label="Reactivate" onPress={() => leave(false)} />
          {mayForget ? (
            <>
              <Text size="small" tone="soft">
                {`Removing the name cannot be undone. What they did and signed stays, under “Former ${whom.role}”. What is sealed already, like their invitation, keeps the name.`}
              </Text>
              <ConfirmButton
                label="Remove the name"
                ask={`Remove ${name} from the records`}
                hint={name}
                onDo={forget}
              />
            </>
          ) : null}
        </>
      ) : (
        <>
          <Change whom={whom} onClose={onClose} />
          <Button
            label={whom.secondFactor ? 'New code (ends password and two-step sign-in)' : 'New code (ends the password)'}
            onPress={reset}
          />
          <ConfirmButton label="Has left" ask={`${name} has left`} hint={name} onDo={() => leave(true)} />
        </>
      )}
    </Drawer>
  );
}

function Change({ whom, onClose }: Pick<Props, 'whom' | 'onClose'>) {
  const { person } = useSession();
  const { id, version, name, role, work } = whom;
  const { control, handleSubmit, formState } = useZodForm(changeSchema, { name, role, work });
  const save = handleSubmit((form) => {
    onClose();
    void send('set-person', { person: id, version, form }, `${form.name}: ${form.role}`);
  });
  return (
    <>
      <Field control={control} name="name" label="Name" maxLength={60} />
      <ChoiceField control={control} name="role" label="Role" pairs options={rolesFor(person.role)} />
      <WorkField control={control} name="work" folded={false} />
      <Button
        tall
        look="act"
        label="Save"
        disabled={!formState.isValid || !formState.isDirty}
        onPress={() => void save()}
      />
    </>
  );
}
