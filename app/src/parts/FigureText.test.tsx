import { fireEvent, render, screen } from '@testing-library/react-native';
import { useState } from 'react';
import { FigureText, withUnit } from './FigureText';

test.each([
  ['5 1/2', 'in', '5 1/2 in'],
  ['100', 'psi', '100 psi'],
  ['48,210', 'mi', '48,210 mi'],
  ['14 mm', 'in', '14 mm'],
  ['5 1/2"', 'in', '5 1/2"'],
  ['hand tight', 'in', 'hand tight'],
  ['', 'in', ''],
])('%s on a form in %s is read as “%s”', (typed, unit, read) => {
  expect(withUnit(typed, unit)).toBe(read);
});

test('a bare whole number of tread is asked about: it may be thirty-seconds', () => {
  expect(withUnit('4', 'in', true)).toBe('4');
  expect(withUnit('4/32', 'in', true)).toBe('4/32 in');
});

let read = '';
function Held() {
  const [value, setValue] = useState('');
  read = value;
  return <FigureText label="Cold pressure" value={value} unit="psi" onValue={setValue} />;
}

test('a figure stays as it was typed, and what it is read as is said', async () => {
  await render(<Held />);
  const box = screen.getByLabelText('Cold pressure');
  await fireEvent.changeText(box, '100');
  expect([read, box.props.value]).toEqual(['100 psi', '100']);
  expect(screen.getByText('Read as 100 psi')).toBeTruthy();
  await fireEvent.changeText(box, '7 bar');
  expect([read, box.props.value]).toEqual(['7 bar', '7 bar']);
  expect(screen.queryByText(/Read as/)).toBeNull();
});
