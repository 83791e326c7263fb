import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { Drawer } from './Drawer';
import { Text } from './Text';

const KEYS: readonly [string, string][] = [
  ['?', 'Show these keys'],
  ['y', 'Go to the yard'],
  ['s', 'Go to the shop'],
  ['m', 'Go to my page'],
  ['/', 'Search the yard'],
  ['Tab, Enter', 'Move through a list, open what is chosen'],
];
const PAD_KEYS: readonly [string, string][] = [
  ['0 to 9, blank, / and .', 'Enter a reading: 1 7/8, 6/32, 5.5'],
  ['Enter', 'Save the reading and continue'],
  ['Backspace', 'Undo the last digit'],
  ['Left, Right', 'Step back, step on'],
  ['k', 'Skip with a reason'],
  ['d', 'Report a defect here'],
  ['g', 'Good: hub, check by eye, lug nuts, slider pins, duals'],
  ['1 to 9', 'At a check: the sign with that number was found'],
  ['w', 'Why this verdict?'],
];

/** Whether a key press belongs to a field that is being written in. */
export const isWriting = (event: KeyboardEvent): boolean =>
  event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);

/** Keys that work on every screen, and the page that names them all. */
export function Shortcuts() {
  const [shown, setShown] = useState(false);
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isWriting(event) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === '?') setShown((now) => !now);
      const inside = /^\/(inspect|sheet)\//.test(location.pathname);
      if (inside) return;
      if (event.key === 'y') router.navigate('/');
      if (event.key === 's') router.navigate('/shop');
      if (event.key === 'm') router.navigate('/me');
      if (event.key === '/') {
        const search = document.querySelector<HTMLInputElement>('input[aria-label="Search"]');
        if (search) {
          event.preventDefault();
          search.focus();
        }
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  if (!shown) return null;
  const rows = (keys: readonly [string, string][]) =>
    keys.map(([key, does]) => (
      <View key={key} className="flex-row gap-3 py-1">
        <View className="w-40">
          <Text reading bold>
            {key}
          </Text>
        </View>
        <Text className="shrink">{does}</Text>
      </View>
    ));
  return (
    <Drawer title="Keys" onClose={() => setShown(false)}>
      {rows(KEYS)}
      <Text level={3} bold className="pt-2">
        While measuring
      </Text>
      {rows(PAD_KEYS)}
    </Drawer>
  );
}
