import { type JobPrintout, jobPrintout } from '@zealous-axle/core';
import { useLocalSearchParams } from 'expo-router';
import { createElement, type ReactNode } from 'react';
import { Linking } from 'react-native';
import { Button } from '../../parts/Button';
import { Loaded } from '../../parts/Loaded';
import { goBack, Screen } from '../../parts/Screen';
import { useJob } from '../../server/queries';
import { useSession } from '../../session/session';

// Paper flows over pages, which boxes made for screens do not: it is set in plain HTML, styled by paper.css.
const h = (tag: string, key: string | null, ...children: ReactNode[]) => createElement(tag, { key }, ...children);

function Page({ paper }: { paper: JobPrintout }) {
  return createElement(
    'div',
    { className: 'paper' },
    h('h1', null, paper.title),
    h('dl', null, ...paper.facts.map(([label, words]) => h('div', label, h('dt', null, label), h('dd', null, words)))),
    ...paper.sections.map(({ title, lines }) =>
      h(
        'section',
        title,
        h('h2', null, title),
        h('ul', null, ...lines.map((line, n) => h('li', `${n} ${line}`, line))),
      ),
    ),
    createElement(
      'div',
      { className: 'signatures', key: 'signatures' },
      ...paper.signatures.map((who) => h('div', who, `${who}, date`)),
    ),
    h('footer', 'footer', ...paper.cautions.map((each) => h('p', each, each))),
  );
}

/** A job and its certificate as they are printed. */
export function JobPaper() {
  const { id } = useLocalSearchParams<{ id: string }>();
  const { fleet } = useSession();
  const query = useJob(id);
  return (
    <Screen
      focused
      title="On paper"
      under={query.data?.job.unit.number}
      back={goBack(`/job/${id}`)}
      right={
        <>
          <Button label="PDF" onPress={() => void Linking.openURL(`/api/v1/jobs/${id}/certificate.pdf`)} />
          <Button look="act" className="mx-2" label="Print" onPress={() => window.print()} />
        </>
      }
    >
      <Loaded query={query}>{(page) => <Page paper={jobPrintout(page, fleet)} />}</Loaded>
    </Screen>
  );
}
