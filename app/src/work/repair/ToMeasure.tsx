import { View } from 'react-native';
import { Button } from '../../parts/Button';
import { DefectRow } from '../../parts/DefectRow';
import { LinkRow } from '../../parts/LinkRow';
import { Text } from '../../parts/Text';
import { useDefectPages } from '../../server/queries';

/** Reports that only a reading can tell of: for whoever measures next. */
export function ToMeasure() {
  const pages = useDefectPages('measuring');
  const defects = pages.data?.pages.flatMap((page) => page.defects) ?? [];
  if (defects.length === 0) return null;
  return (
    <View className="gap-1 border-t border-line pt-3">
      <Text level={3} bold>
        To be measured first
      </Text>
      {defects.map((defect) => (
        <LinkRow key={defect.id} href={`/trailer/${defect.unit.id}`} aria-label={`Measure ${defect.unit.number}`}>
          <DefectRow defect={defect} withUnit />
        </LinkRow>
      ))}
      {pages.hasNextPage ? <Button label="Show more" onPress={() => void pages.fetchNextPage()} /> : null}
    </View>
  );
}
