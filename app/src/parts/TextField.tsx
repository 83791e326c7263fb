import { readableText } from '@zealous-axle/core/readable';
import type { Ref } from 'react';
import { TextInput, type TextInputProps, View } from 'react-native';
import { Text } from './Text';

export interface TextFieldProps
  extends Pick<
    TextInputProps,
    | 'value'
    | 'onChangeText'
    | 'multiline'
    | 'secureTextEntry'
    | 'autoComplete'
    | 'inputMode'
    | 'onSubmitEditing'
    | 'placeholder'
    | 'autoFocus'
    | 'onFocus'
  > {
  label: string;
  /** What it is called where its label alone does not say of what it is. */
  spoken?: string;
  /** What is wrong with what was written, in one sentence. */
  error?: string | null;
  maxLength?: number;
  input?: Ref<TextInput>;
}

/** Words to write, under their label. */
export function TextField({ label, spoken = label, error, multiline, input, onChangeText, ...props }: TextFieldProps) {
  return (
    <View className="gap-1">
      <Text bold>{label}</Text>
      <TextInput
        ref={input}
        aria-label={spoken}
        multiline={multiline}
        autoCapitalize="none"
        className={`min-h-14 rounded-xl border-2 bg-card px-3 py-3 font-words text-body text-ink ${multiline ? 'min-h-24' : ''} ${error ? 'border-out' : 'border-edge'}`}
        {...props}
        onChangeText={onChangeText && ((text) => onChangeText(readableText(text)))}
      />
      {error ? (
        <Text tone="out" role="alert">
          {error}
        </Text>
      ) : null}
    </View>
  );
}
