import type { InspectionHead, UnitPage } from '@zealous-axle/core';
import { useState } from 'react';
import { View } from 'react-native';
import { clock, dayOf } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Card } from '../../parts/Card';
import { LinkRow } from '../../parts/LinkRow';
import { PhotoStrip, photoWords } from '../../parts/PhotoStrip';
import { Text } from '../../parts/Text';
import { VerdictMark } from '../../parts/VerdictMark';
import { useVerdictWord } from '../../parts/verdict';
import { olderInspections, olderPhotos, usePages } from '../../server/queries';
import { useSession } from '../../session/session';

function InspectionRow({ inspection }: { inspection: InspectionHead }) {
  const { fleet } = useSession();
  const wordOf = useVerdictWord();
  const what =
    inspection.route ??
    { full: 'Measured', walk: 'Walked around', import: 'Read from a file', 're-measure': 'Measured again' }[
      inspection.purpose
    ];
  const outcome = inspection.closedAt
    ? inspection.outcome
    : inspection.dropped !== null
      ? `dropped: ${inspection.dropped}`
      : 'in progress';
  return (
    <LinkRow
      href={`/sheet/${inspection.id}`}
      className="min-h-14 flex-row items-center gap-3 border-t border-line py-2 active:opacity-70"
    >
      <VerdictMark verdict={inspection.verdict ?? 'not-judged'} size={24} />
      <View className="min-w-0 flex-1">
        <Text bold>
          {dayOf(inspection.startedAt, fleet.zone)}
          {inspection.verdict ? `  ${wordOf(inspection.verdict)}` : ''}
        </Text>
        <Text size="small" tone="soft">
          {`${what}, ${inspection.by} · ${outcome}`}
        </Text>
      </View>
    </LinkRow>
  );
}

/** How many of how many are shown, and the next of them. */
function Older({ shown, total, onMore }: { shown: number; total: number; onMore: () => void }) {
  if (shown >= total) return null;
  return <Button label={`Show older, ${shown} of ${total}`} onPress={onMore} />;
}

function AllInspections({ unit }: { unit: UnitPage }) {
  const { data, fetchNextPage } = usePages(['unit', unit.id, 'inspections'], (key) => olderInspections(unit.id, key));
  const rows = data?.pages.flatMap(({ inspections }) => inspections) ?? unit.inspections;
  return (
    <>
      {rows.map((inspection) => (
        <InspectionRow key={inspection.id} inspection={inspection} />
      ))}
      <Older shown={rows.length} total={unit.inspectionsTotal} onMore={() => void fetchNextPage()} />
    </>
  );
}

/** What was inspected, newest first: the latest at once, the rest when it is asked for. */
export function History({ unit }: { unit: UnitPage }) {
  const [all, setAll] = useState(false);
  return (
    <Card title="History">
      {unit.inspections.length === 0 ? <Text tone="soft">No inspection yet.</Text> : null}
      {all ? (
        <AllInspections unit={unit} />
      ) : (
        <>
          {unit.inspections.map((inspection) => (
            <InspectionRow key={inspection.id} inspection={inspection} />
          ))}
          <Older shown={unit.inspections.length} total={unit.inspectionsTotal} onMore={() => setAll(true)} />
        </>
      )}
    </Card>
  );
}

function Pictures({ photos }: { photos: UnitPage['photos'] }) {
  const { fleet } = useSession();
  return (
    <PhotoStrip
      pictures={photos.map(({ id, key, by, at }) => ({
        id,
        source: `/api/v1/photos/${id}`,
        words: `${photoWords(key)}, ${by}, ${clock(at, fleet.zone)}`,
      }))}
    />
  );
}

function AllPhotos({ unit }: { unit: UnitPage }) {
  const { data, fetchNextPage } = usePages(['unit', unit.id, 'photos'], (key) => olderPhotos(unit.id, key));
  const photos = data?.pages.flatMap((page) => page.photos) ?? unit.photos;
  return (
    <>
      <Pictures photos={photos} />
      <Older shown={photos.length} total={unit.photosTotal} onMore={() => void fetchNextPage()} />
    </>
  );
}

/** The photos of a unit, newest first. */
export function UnitPhotos({ unit }: { unit: UnitPage }) {
  const [all, setAll] = useState(false);
  if (unit.photos.length === 0) return null;
  return (
    <Card title="Photos">
      {all ? (
        <AllPhotos unit={unit} />
      ) : (
        <>
          <Pictures photos={unit.photos} />
          <Older shown={unit.photos.length} total={unit.photosTotal} onMore={() => setAll(true)} />
        </>
      )}
    </Card>
  );
}
