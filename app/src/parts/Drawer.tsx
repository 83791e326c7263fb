import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View } from 'react-native';
import { usePalette } from '../look/theme';
import { Text } from './Text';

/** A question over the screen, from the bottom edge where the thumb is. Escape or the cross leaves it. */
export function Drawer({ title, onClose, children }: { title: string; onClose: () => void; children: ReactNode }) {
  const palette = usePalette();
  return (
    <Modal aria-label={title} transparent visible animationType="none" onRequestClose={onClose}>
      <View className="flex-1 items-center justify-end">
        <Pressable aria-hidden tabIndex={-1} onPress={onClose} className="absolute inset-0 bg-black/50" />
        <View className="max-h-[85%] w-full max-w-xl rounded-t-3xl border border-line bg-ground">
          <View className="flex-row items-center justify-between px-4 pt-2">
            <Text level={2} size="lead" bold className="shrink">
              {title}
            </Text>
            <Pressable
              role="button"
              aria-label="Close"
              onPress={onClose}
              className="h-12 w-12 items-center justify-center"
            >
              <X size={26} color={palette.ink} aria-hidden />
            </Pressable>
          </View>
          <ScrollView tabIndex={0} contentContainerClassName="gap-3 p-4 pb-6">
            {children}
          </ScrollView>
        </View>
      </View>
    </Modal>
  );
}
