import { act, fireEvent, render, screen } from '@testing-library/react-native';
import { torqueSchema } from '@zealous-axle/core';
import { useZodForm } from '../session/forms';
import { TorqueFields } from './TorqueFields';

jest.mock('../session/rules', () => ({ useUnits: () => ({ length: 'in' }) }));

let form: ReturnType<typeof useZodForm<{ value: string; tool: string }, { value: string; tool: string }>>;
function Held() {
  form = useZodForm(torqueSchema, { value: '', tool: '' });
  return <TorqueFields control={form.control} name="value" tool="tool" label="Value" />;
}
const kept = new Map<string, string>();
beforeEach(() => {
  kept.clear();
  Object.assign(globalThis, { localStorage: { getItem: (key: string) => kept.get(key) ?? null } });
});

test('a figure takes the unit that is shown, and another unit when it is chosen', async () => {
  await render(<Held />);
  await fireEvent.changeText(screen.getByLabelText('Value'), '475');
  expect(form.getValues('value')).toBe('475 lb-ft');
  await fireEvent.press(screen.getByText('N·m'));
  expect(form.getValues('value')).toBe('475 N·m');
  expect(screen.getByLabelText('Value').props.value).toBe('475');
});

test('what was kept earlier shows the unit it was written in', async () => {
  await render(<Held />);
  await act(async () => form.reset({ value: '640 N·m', tool: 'Bar' }));
  expect(screen.getByLabelText('Value').props.value).toBe('640');
  expect(screen.getByRole('radio', { name: /N·m/, checked: true })).toBeTruthy();
});

test('as last on this device is one tap, figure, unit and tool', async () => {
  kept.set('za-torque', JSON.stringify({ value: '640 N·m', tool: 'Wrench 4' }));
  await render(<Held />);
  await fireEvent.press(screen.getByText('As last here: 640 N·m, Wrench 4'));
  expect(form.getValues()).toEqual({ value: '640 N·m', tool: 'Wrench 4' });
});
