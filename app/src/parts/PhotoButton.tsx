import Camera from 'lucide-react-native/icons/camera';
import { memo, useState } from 'react';
import { View } from 'react-native';
import { attachPhoto, pickPhoto } from '../device/photos';
import { Button } from './Button';
import { Text } from './Text';
import { useStable } from './useStable';

interface Props {
  unit: string;
  inspection: string | null;
  keyOf: string | null;
  /** The report it is of, where it is of one. */
  defect?: string;
  label: string;
  count: number;
  onTaken: (photo: string) => void;
  className?: string;
}

/** Takes a picture here: shrunk on the device, kept on it, and sent when there is a signal. */
export const PhotoButton = memo(function PhotoButton({
  unit,
  inspection,
  keyOf,
  defect,
  label,
  count,
  onTaken,
  className,
}: Props) {
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const take = async () => {
    const file = await pickPhoto();
    if (!file) return;
    setBusy(true);
    setProblem(null);
    await attachPhoto(file, { unit, inspection, defect: defect ?? null, key: keyOf, label })
      .then(onTaken)
      .catch((error: Error) => setProblem(error.message));
    setBusy(false);
  };
  const takeNow = useStable(() => void take());
  return (
    <View className={className}>
      <Button
        icon={Camera}
        label={busy ? 'Shrinking…' : count ? `Photo (${count})` : 'Photo'}
        disabled={busy}
        onPress={takeNow}
      />
      {problem ? (
        <Text tone="out" size="small" role="alert">
          {problem}
        </Text>
      ) : null}
    </View>
  );
});
