import { type BookId, bookIdOf, type DefectView, defectWords, placeWords, severityOf } from '@zealous-axle/core';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { clock, dayName } from '../look/dates';
import { useShown } from '../session/rules';
import { useSession } from '../session/session';
import { PhotoStrip } from './PhotoStrip';
import { Text } from './Text';
import { VerdictMark } from './VerdictMark';

/** Where it stands, said after who reported it; a fresh report needs no word. */
const STATE_WORDS: Record<DefectView['state'], string> = {
  reported: '',
  measuring: ' · to be measured first',
  deferred: '',
  triaged: ' · to be repaired',
  planned: ' · in a job',
  done: ' · repaired, not certified',
  certified: ' · certified',
  acknowledged: ' · acknowledged',
  joined: ' · merged with another report',
  'no-fault': ' · no fault found',
  dismissed: ' · dismissed',
  'put-right': ' · repaired on the spot',
  withdrawn: ' · taken back',
};

/** Until which dusk it runs by daylight only, for whoever drives it; null where it does not. */
function daylightWords({ state, dusk }: DefectView, zone: string): string | null {
  if (state !== 'deferred' || !dusk) return null;
  const over = Date.parse(dusk) <= Date.now();
  return `By daylight only, until ${clock(dusk, zone)}${over ? ': that time has passed. Ask the shop before it moves' : ''}`;
}

/** Until when it may wait: a day, or a meter. */
function waitsWords({ state, until, untilMeter, dusk }: DefectView): string {
  if (state !== 'deferred' || dusk) return '';
  return ` · deferred until ${[until && dayName(until), untilMeter && `the meter reads ${untilMeter}`].filter(Boolean).join(' or ')}`;
}

export const defectPlace = (defect: Pick<DefectView, 'axle' | 'side' | 'tyre'>): string =>
  defect.axle === null && defect.side === null ? 'Trailer' : placeWords(defect);

const markOf = (defect: DefectView, book: BookId) =>
  severityOf(defect.code, book)?.verdict ?? (defect.holds ? 'violation' : 'shop-limit');

/** A defect in two lines, and what can be done with it. */
export function DefectRow({
  defect,
  withUnit,
  children,
}: {
  defect: DefectView;
  withUnit?: boolean;
  children?: ReactNode;
}) {
  const { fleet } = useSession();
  const { words } = useShown();
  const by =
    defect.origin === 'driver'
      ? `Reported by ${defect.reportedBy}`
      : `Found by ${defect.reportedBy}${defect.inspection?.open ? ', inspection still open' : ''}`;
  const daylight = daylightWords(defect, fleet.zone);
  return (
    <View className="gap-2 border-t border-line py-3">
      <View className="flex-row gap-3">
        <VerdictMark verdict={markOf(defect, bookIdOf(defect.unit.features, fleet))} size={24} />
        <View className="min-w-0 flex-1">
          <Text bold>
            {withUnit ? `${defect.unit.number} · ` : ''}
            <Text bold>{defectPlace(defect)}</Text>
            {`  ${words(defectWords(defect.code))}`}
          </Text>
          {defect.words ? <Text>{defect.words}</Text> : null}
          {daylight ? <Text bold>{daylight}</Text> : null}
          {defect.added.map(({ words: more, by: who, at }) => (
            <Text key={at} size="small">{`${more} – added by ${who}, ${clock(at, fleet.zone)}`}</Text>
          ))}
          <Text size="small" tone="soft">
            {`${by}, ${clock(defect.reportedAt, fleet.zone)}${STATE_WORDS[defect.state]}${waitsWords(defect)}${defect.holds ? ' · unit on hold for this' : ''}`}
          </Text>
        </View>
      </View>
      {defect.photos.length ? (
        <PhotoStrip
          pictures={defect.photos.map((id, nth) => ({
            id,
            source: `/api/v1/photos/${id}`,
            words: `${nth + 1} of ${defect.photos.length}, ${defectPlace(defect)}: ${defectWords(defect.code)}`,
          }))}
        />
      ) : null}
      {children}
    </View>
  );
}
