import {
  BOOKS,
  type Finding,
  isMeasuredKind,
  limitFor,
  MEASURED_WORDS,
  parseLength,
  positionCode,
  type Unit,
  wheelEnd,
} from '@zealous-axle/core';
import { View } from 'react-native';
import { useSession } from '../data/session';
import { MarginRuler } from './MarginRuler';
import { T } from './T';
import { VerdictBadge } from './VerdictMark';

const KIND_WORDS: Record<string, string> = { ...MEASURED_WORDS, defect: 'Seen', 'chamber-match': 'Chambers' };
const SURE_WORDS = { law: 'law', practice: 'practice', check: 'confirm locally' } as const;

const placeOf = ({ axle, side, tyre }: Finding): string =>
  axle === null ? 'Trailer' : side === null ? `Axle ${axle}` : positionCode({ axle, side, tyre });

function Ruler({ finding, unit }: { finding: Finding; unit: Unit }) {
  const { fleet } = useSession();
  const { kind, axle, side, measured } = finding;
  if ((kind !== 'stroke-applied' && kind !== 'lining' && kind !== 'tread') || !axle || !side || !measured) return null;
  const end = wheelEnd(unit, axle, side);
  const limit = end ? limitFor(BOOKS[fleet.book], kind, end) : null;
  const parsed = parseLength(measured, '32nds');
  return limit && parsed.ok ? <MarginRuler limit={limit} nm={parsed.value} verdict={finding.verdict} /> : null;
}

/** One finding with its margin, its rule and its sentence. */
export function FindingRow({ finding, unit }: { finding: Finding; unit: Unit }) {
  const figures = isMeasuredKind(finding.kind) && finding.kind !== 'hub-oil' && finding.measured;
  return (
    <View className="gap-1.5 border-t border-line py-3">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <T bold size="lead">
          <T bold size="lead">
            {placeOf(finding)}
          </T>
          {`  ${KIND_WORDS[finding.kind] ?? finding.kind}`}
        </T>
        <VerdictBadge verdict={finding.verdict} />
      </View>
      {figures ? (
        <View className="flex-row flex-wrap items-baseline gap-x-4">
          <T reading bold size="reading">
            {finding.measured}
          </T>
          {finding.limit ? <T tone="soft">{`limit ${finding.limit}, margin ${finding.margin}`}</T> : null}
        </View>
      ) : null}
      <Ruler finding={finding} unit={unit} />
      <T>{finding.because}</T>
      {finding.rule ? (
        <T size="small" tone="soft">
          {`${finding.rule}${finding.sure ? ` · ${SURE_WORDS[finding.sure]}` : ''}`}
        </T>
      ) : null}
    </View>
  );
}
