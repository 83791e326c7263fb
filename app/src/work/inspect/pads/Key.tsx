import Delete from 'lucide-react-native/icons/delete';
import { Pressable } from 'react-native';
import { usePalette } from '../../../look/theme';
import { T } from '../../../parts/T';

/** One key of the pad. */
export function Key({
  label,
  onPress,
  chosen,
  wide,
  name,
}: {
  label: string;
  onPress: () => void;
  chosen?: boolean;
  wide?: boolean;
  name?: string;
}) {
  const palette = usePalette();
  return (
    <Pressable
      role="button"
      aria-label={name ?? label}
      aria-pressed={chosen}
      onPress={onPress}
      className={`h-14 min-w-0 items-center justify-center rounded-xl border-2 ${wide ? 'flex-[2]' : 'flex-1'} ${chosen ? 'border-act bg-act' : 'border-line bg-raised active:bg-line'}`}
    >
      {label === '⌫' ? (
        <Delete size={26} color={palette.ink} aria-hidden />
      ) : (
        <T reading bold size="lead" tone={chosen ? 'on-act' : 'ink'} numberOfLines={1}>
          {label}
        </T>
      )}
    </Pressable>
  );
}
