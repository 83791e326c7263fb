import { dayAfter, formatDistance, must, parseDistance } from '../measure';
import { RETORQUE, retorqueDue, retorqueLapsed } from './retorque';

const today = '2026-05-04';
const reads = '48,210 mi';
const farther = (by: number): string => formatDistance(must(parseDistance(reads)) + by, 'mi');

test('wheels are due by a day, and by distance where the meter was read, in its own unit', () => {
  const due = retorqueDue(today, reads);
  expect(due.due).toBe(dayAfter(today, RETORQUE.days));
  expect(due.dueMeter).toMatch(/ mi$/);
  expect(retorqueDue(today, null).dueMeter).toBeNull();
});

test('whichever is first: a day past, or a distance past', () => {
  const due = retorqueDue(today, reads);
  const far = must(parseDistance(RETORQUE.to));
  expect(retorqueLapsed(due, due.due, farther(far))).toBe(false);
  expect(retorqueLapsed(due, today, farther(far + 5_000))).toBe(true);
  expect(retorqueLapsed(due, dayAfter(due.due, 1), reads)).toBe(true);
});

test('a meter that was not read says nothing', () => {
  const due = retorqueDue(today, reads);
  expect(retorqueLapsed(due, today, null)).toBe(false);
  expect(retorqueLapsed(retorqueDue(today, null), today, '999,999 mi')).toBe(false);
});
