import { act, fireEvent, render, renderHook, screen, waitFor } from '@testing-library/react-native';
import { useFieldArray } from 'react-hook-form';
import { z } from 'zod';
import { device } from '../device/device';
import { Field } from '../parts/Field';
import { useKeptForm } from './forms';

jest.mock('./session', () => ({ useSession: () => ({ person: { id: 'ada' } }) }));
beforeEach(async () => {
  await (await device()).clear('typed');
});

const SCHEMA = z.object({ words: z.string().trim().min(1).max(20), parts: z.array(z.object({ name: z.string() })) });
const EMPTY = { words: '', parts: [] as { name: string }[] };

/** The form as a screen that just opened has it. */
async function opened() {
  const { result, unmount } = await renderHook(() => {
    const form = useKeptForm('job', SCHEMA, EMPTY);
    const list = useFieldArray({ control: form.control, name: 'parts' });
    // Read while drawing, as screens do: only what is read is followed.
    return { ...form, list, valid: form.formState.isValid, words: form.watch('words'), parts: form.watch('parts') };
  });
  await waitFor(() => expect(result.current.ready).toBe(true));
  return { form: () => result.current, close: unmount };
}

test('a form that was only looked at was not begun', async () => {
  const before = await opened();
  expect(before.form()).toMatchObject({ earlier: false, words: '', valid: false });
  await before.close();
  expect((await opened()).form()).toMatchObject({ earlier: false });
});

test('what was written stands when the screen opens again, and is checked', async () => {
  const before = await opened();
  await act(async () => before.form().setValue('words', 'Hisses', { shouldValidate: true }));
  await act(async () => before.form().setValue('parts', [{ name: 'hose' }]));
  await waitFor(() => expect(before.form()).toMatchObject({ valid: true, words: 'Hisses' }));
  await before.close();
  const after = await opened();
  await waitFor(() => expect(after.form()).toMatchObject({ earlier: true, words: 'Hisses', valid: true }));
  expect(after.form().parts).toEqual([{ name: 'hose' }]);
});

test('written empty again it is kept so, and too much is refused', async () => {
  const before = await opened();
  await act(async () => before.form().setValue('words', 'Hisses', { shouldValidate: true }));
  await act(async () => before.form().setValue('words', '', { shouldValidate: true }));
  await before.close();
  const after = await opened();
  expect(after.form()).toMatchObject({ words: '', valid: false });
  await act(async () => after.form().setValue('words', 'x'.repeat(21), { shouldValidate: true }));
  await waitFor(() => expect(after.form()).toMatchObject({ valid: false }));
});

test('sent, nothing of it is left', async () => {
  const form = await opened();
  await act(async () => form.form().setValue('words', 'Hisses'));
  await act(async () => form.form().clear());
  expect(form.form()).toMatchObject({ words: '', earlier: false });
  await form.close();
  expect((await opened()).form()).toMatchObject({ words: '', earlier: false });
});

test('a list that grew and was put in another order is kept so', async () => {
  const before = await opened();
  await act(async () => before.form().list.append({ name: 'hose' }));
  await act(async () => before.form().list.append({ name: 'valve' }));
  await act(async () => before.form().list.move(1, 0));
  await before.close();
  expect((await opened()).form()).toMatchObject({ earlier: true, parts: [{ name: 'valve' }, { name: 'hose' }] });
});

test('what is wrong is said at the field as soon as something stands there', async () => {
  const words = z.object({ torque: z.string().regex(/^\d+ lb-ft$/, 'write a torque like 475 lb-ft') });
  function Form() {
    const { control, ready } = useKeptForm('finish', words, { torque: '' });
    return ready ? <Field control={control} name="torque" label="Torque" /> : null;
  }
  await render(<Form />);
  const field = await screen.findByLabelText('Torque');
  expect(screen.queryByRole('alert')).toBeNull();
  await fireEvent.changeText(field, 'hand tight');
  await screen.findByText('Write a torque like 475 lb-ft.');
  await fireEvent.changeText(field, '475 lb-ft');
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
});
