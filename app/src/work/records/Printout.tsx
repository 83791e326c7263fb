import {
  BOOKS,
  type BookId,
  type InspectionPrintout,
  inspectionPrintout,
  type PrintedFinding,
} from '@zealous-axle/core';
import { useLocalSearchParams } from 'expo-router';
import { createElement, type ReactNode } from 'react';
import { Linking } from 'react-native';
import { Button } from '../../parts/Button';
import { Loaded } from '../../parts/Loaded';
import { Notice } from '../../parts/Notice';
import { goBack, Screen } from '../../parts/Screen';
import { useSheet } from '../../server/queries';
import { useSession } from '../../session/session';

// Paper flows over pages, which boxes made for screens do not: it is set in plain HTML, styled by paper.css.
const h = (tag: string, className: string | null, ...children: ReactNode[]) =>
  createElement(tag, className ? { className } : null, ...children);

const Lines = ({ title, lines }: { title: string; lines: readonly string[] }) =>
  lines.length
    ? h(
        'section',
        null,
        h('h2', null, title),
        h('ul', null, ...lines.map((line) => createElement('li', { key: line }, line))),
      )
    : null;

function Findings({ findings }: { findings: readonly PrintedFinding[] }) {
  if (findings.length === 0) return h('p', null, 'None past a limit.');
  const head = h(
    'thead',
    null,
    h(
      'tr',
      null,
      ...['Place', 'What', 'Limit', 'Verdict', 'Why'].map((name) => createElement('th', { key: name }, name)),
    ),
  );
  const rows = findings.map((each, index) =>
    createElement(
      'tr',
      { key: index },
      h('td', null, h('b', null, each.place)),
      h('td', null, h('b', null, each.what), h('div', null, each.measured)),
      h('td', null, each.limit, each.margin ? h('small', null, `margin ${each.margin}`) : null),
      h('td', null, h('b', null, each.verdict)),
      h('td', null, each.because, h('small', null, each.rule)),
    ),
  );
  return h('table', null, head, h('tbody', null, ...rows));
}

const End = ({ lines }: { lines: readonly string[] }) =>
  lines.length
    ? h('td', null, ...lines.map((line) => createElement('div', { key: line }, line)))
    : h('td', 'none', 'nothing measured');

function Page({ paper }: { paper: InspectionPrintout }) {
  return createElement(
    'article',
    // It scrolls, so the keyboard must reach it.
    { className: 'paper', tabIndex: 0 },
    h('header', null, h('h1', null, paper.title), h('strong', null, paper.verdict)),
    h('p', null, paper.sentence),
    h(
      'dl',
      null,
      ...paper.facts.map(([label, words]) =>
        createElement('div', { key: label }, h('dt', null, label), h('dd', null, words)),
      ),
    ),
    paper.brakes ? h('p', null, h('b', null, 'Brake count: '), paper.brakes) : null,
    h('h2', null, 'Running gear'),
    h(
      'table',
      'plan',
      h('thead', null, h('tr', null, h('th', null, paper.sides.left), h('th', null), h('th', null, paper.sides.right))),
      h(
        'tbody',
        null,
        ...paper.plan.map(({ axle, ends }) =>
          createElement(
            'tr',
            { key: axle },
            createElement(End, { lines: ends.left }),
            h('th', null, axle),
            createElement(End, { lines: ends.right }),
          ),
        ),
      ),
    ),
    createElement(Lines, { title: 'Unit', lines: paper.unit }),
    h('h2', null, 'Findings, worst first'),
    createElement(Findings, { findings: paper.findings }),
    h('p', null, `${paper.within} readings and checks inside their limits.`),
    createElement(Lines, { title: 'No verdict: never a pass', lines: paper.open }),
    createElement(Lines, { title: 'Skipped, because', lines: paper.skips }),
    createElement(Lines, { title: 'Sent by gauges', lines: paper.gauges }),
    createElement(Lines, { title: 'Unit data changed', lines: paper.changes }),
    h('div', 'signatures', ...paper.signatures.map((who) => createElement('div', { key: who }, `${who}, date`))),
    h(
      'footer',
      null,
      h('p', null, paper.book),
      ...paper.cautions.map((each) => createElement('p', { key: each }, each)),
    ),
  );
}

/** An inspection as it is printed: one or two pages. */
export function Paper() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { fleet, person } = useSession();
  const query = useSheet(id);
  return (
    <Screen
      focused
      title="On paper"
      under={query.data?.unit.number}
      back={goBack('/')}
      right={
        <>
          <Button label="PDF" onPress={() => void Linking.openURL(`/api/v1/inspections/${id}/inspection.pdf`)} />
          <Button look="act" className="mx-2" label="Print" onPress={() => window.print()} />
        </>
      }
    >
      <Loaded query={query}>
        {(sheet) =>
          sheet.closedAt ? (
            <Page
              paper={inspectionPrintout({
                sheet,
                fleet,
                book: BOOKS[(sheet.judgement?.book.id ?? fleet.book) as BookId],
                units: person.units ?? fleet.units,
              })}
            />
          ) : (
            <Notice look="ask">Close this inspection before printing.</Notice>
          )
        }
      </Loaded>
    </Screen>
  );
}
