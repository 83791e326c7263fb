import {
  type Finding,
  findingWords,
  LIMITED,
  type Limited,
  limitFor,
  otherSideFor,
  parseLength,
  placeWords,
  sourceWords,
  type Unit,
  wheelEnd,
} from '@zealous-axle/core';
import { View } from 'react-native';
import { useBook, useShown } from '../session/rules';
import { Because } from './Because';
import { MarginRuler } from './MarginRuler';
import { Text } from './Text';
import { VerdictBadge } from './VerdictMark';

const isLimited = (kind: string): kind is Limited => (LIMITED as readonly string[]).includes(kind);
/** A finding whose measured value is a figure rather than words. */
const isFigure = ({ kind, measured, limit }: Finding): boolean =>
  measured !== null && (limit !== null || (isLimited(kind) && /\d/.test(measured)));

function Ruler({ finding, unit }: { finding: Finding; unit: Unit }) {
  const book = useBook();
  const { shown } = useShown();
  const { kind, axle, side, measured, limit: value } = finding;
  if (!isLimited(kind) || !measured || !value) return null;
  const parsed = parseLength(measured, '32nds');
  const end = axle && side ? wheelEnd(unit, axle, side) : null;
  const limits = [limitFor(book, kind, end ?? {}), otherSideFor(book, kind, end ?? {})];
  // A sheet keeps the figure it was judged by, which may stand in no book any more: then its side alone is known.
  const judged = limits.find((each) => each?.value === value);
  const own = judged ?? limits[0];
  const otherSide = judged ? limits.find((each) => each !== judged) : null;
  return own && parsed.ok && parseLength(value, '32nds').ok ? (
    <MarginRuler
      limit={{ is: own.is, value }}
      otherSide={otherSide}
      words={shown(value)}
      nm={parsed.value}
      verdict={finding.verdict}
    />
  ) : null;
}

/** One finding with its margin, its rule and its sentence. */
export function FindingRow({ finding, unit }: { finding: Finding; unit: Unit }) {
  const { margin, both, words } = useShown();
  const figures = isFigure(finding);
  return (
    <View className="gap-1.5 border-t border-line py-3">
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Text bold size="lead">
          <Text bold size="lead">
            {placeWords(finding)}
          </Text>
          {`  ${words(findingWords(finding))}`}
        </Text>
        <VerdictBadge verdict={finding.verdict} />
      </View>
      {figures ? (
        <View className="flex-row flex-wrap items-baseline gap-x-4">
          <Text reading bold size="reading">
            {both(finding.measured ?? '')}
          </Text>
          {finding.limit ? (
            <Text tone="soft">{`limit ${both(finding.limit)}, margin ${margin(finding.margin ?? '')}`}</Text>
          ) : null}
        </View>
      ) : null}
      <Ruler finding={finding} unit={unit} />
      <Because said={finding.said} />
      {finding.rule ? (
        <Text size="small" tone="soft">
          {sourceWords(finding.rule, finding.sure)}
        </Text>
      ) : null}
    </View>
  );
}
