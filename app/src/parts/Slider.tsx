import { createElement } from 'react';
import { View } from 'react-native';
import { usePalette } from '../look/theme';
import { Text } from './Text';

/** A figure moved along a scale, by finger, mouse or arrow keys. `shown` is its value in words. */
export function Slider({
  label,
  shown,
  value,
  least,
  most,
  step,
  onChange,
}: {
  label: string;
  shown: string;
  value: number;
  least: number;
  most: number;
  step: number;
  onChange: (value: number) => void;
}) {
  const palette = usePalette();
  return (
    <View className="gap-1">
      <View className="flex-row items-baseline justify-between gap-3">
        <Text bold>{label}</Text>
        <Text reading bold size="lead">
          {shown}
        </Text>
      </View>
      {createElement('input', {
        type: 'range',
        'aria-label': label,
        'aria-valuetext': shown,
        value,
        min: least,
        max: most,
        step,
        onInput: (event: { currentTarget: { value: string } }) => onChange(Number(event.currentTarget.value)),
        onChange: () => undefined,
        style: { width: '100%', height: 44, margin: 0, accentColor: palette.act },
      })}
    </View>
  );
}
