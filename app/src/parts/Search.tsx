import { TextInput } from 'react-native';

/** Words to search a list by; `/` on the keyboard goes to it. */
export function Search({ hint, text, onChange }: { hint: string; text: string; onChange: (text: string) => void }) {
  return (
    <TextInput
      aria-label="Search"
      placeholder={hint}
      value={text}
      onChangeText={onChange}
      inputMode="search"
      className="min-h-12 rounded-xl border-2 border-edge bg-card px-3 font-words text-body text-ink"
    />
  );
}
