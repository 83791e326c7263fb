import Delete from 'lucide-react-native/icons/delete';
import { memo } from 'react';
import { Pressable } from 'react-native';
import { usePalette } from '../../../look/theme';
import { Text } from '../../../parts/Text';

interface Props {
  label: string;
  /** Told which key it was, so that one function serves them all and a key is drawn again only when it changes. */
  onKey: (label: string) => void;
  chosen?: boolean;
  name?: string;
  /** Of a set whose labels are long: where letters are large, fewer stand in a row. */
  wide?: boolean;
}

/** One key of the pad. */
export const Key = memo(function Key({ label, onKey, chosen, name, wide }: Props) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={name ?? label}
      aria-pressed={chosen}
      onPress={() => onKey(label)}
      className={`items-center justify-center rounded-xl border-2 flex-1 ${wide ? 'min-h-12 min-w-[3.75rem]' : 'min-h-14 min-w-[1.8rem]'} ${chosen ? 'border-act bg-act' : 'border-line bg-raised active:bg-line'}`}
    >
      {label === '⌫' ? (
        <Delete size={26} color={palette.ink} aria-hidden />
      ) : (
        <Text reading bold size="lead" tone={chosen ? 'on-act' : 'ink'}>
          {label}
        </Text>
      )}
    </Pressable>
  );
});
