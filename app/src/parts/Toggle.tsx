import { Pressable } from 'react-native';
import { Text } from './Text';

/** Something that is so or not, in sight. */
export function Toggle({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) {
  return (
    <Pressable
      role="checkbox"
      aria-checked={on}
      aria-label={label}
      onPress={() => onChange(!on)}
      className={`min-h-11 min-w-0 shrink grow items-center justify-center rounded-xl border-2 px-3 py-1 ${on ? 'border-act bg-act' : 'border-edge bg-card'}`}
    >
      <Text bold={on} tone={on ? 'on-act' : 'ink'} className="text-center">
        {label}
      </Text>
    </Pressable>
  );
}
