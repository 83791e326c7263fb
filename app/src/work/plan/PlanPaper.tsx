import { type Board, dayAfter, dayIn, type KeptSlot } from '@zealous-axle/core';
import { createElement, type ReactNode, useState } from 'react';
import { clock, dayName } from '../../look/dates';
import { Button } from '../../parts/Button';
import { Choice } from '../../parts/Choice';
import { Loaded } from '../../parts/Loaded';
import { leavesWords } from '../../parts/leaves';
import { goBack, Screen } from '../../parts/Screen';
import { usePlan } from '../../server/queries';
import { namesOf, waitsWords } from './words';

// Paper flows over pages, which boxes made for screens do not: it is set in plain HTML, styled by paper.css.
const h = (tag: string, key: string | null, ...children: ReactNode[]) => createElement(tag, { key }, ...children);

const hour = (instant: string, zone: string): string => clock(instant, zone).split(', ')[1] ?? '';

/** One day of the plan: bay by bay, with who does it, and room for a tick. */
function DayPaper({ board, day }: { board: Board; day: string }) {
  const names = namesOf(board);
  const jobs = new Map(board.jobs.map((job) => [job.id, job]));
  const own = board.slots
    .filter(({ start }) => dayIn(board.zone, start) === day)
    .sort((a, b) => (a.start < b.start ? -1 : 1));
  const row = (slot: KeptSlot) => {
    const job = jobs.get(slot.job);
    const notes = [
      job?.held ? 'held' : '',
      job && waitsWords(job),
      job?.leaves ? leavesWords(job.leaves, board.zone) : '',
    ].filter(Boolean);
    return h(
      'tr',
      slot.job,
      h('td', 'time', `${hour(slot.start, board.zone)}–${hour(slot.end, board.zone)}`),
      h('td', 'job', names.job(slot.job)),
      h('td', 'who', slot.technicians.map(names.person).join(', ')),
      h('td', 'notes', notes.join(', ')),
      h('td', 'done', '☐'),
    );
  };
  const bays = board.bays.filter(({ id }) => own.some(({ bay }) => bay === id));
  return h(
    'section',
    day,
    h('h2', 'title', `${dayName(day)} ${day.slice(0, 4)}`),
    bays.length ? null : h('p', 'none', 'Nothing is planned.'),
    ...bays.map(({ id, name }) =>
      h(
        'div',
        id,
        h('h3', 'bay', name),
        h(
          'table',
          'jobs',
          h(
            'thead',
            'head',
            h('tr', null, ...['When', 'Job', 'Who', 'Note', 'Done'].map((word) => h('th', word, word))),
          ),
          h('tbody', 'body', ...own.filter(({ bay }) => bay === id).map(row)),
        ),
      ),
    ),
  );
}

/** The plan as it is printed: today, or the week from today. */
export function PlanPaper() {
  const query = usePlan();
  const [span, setSpan] = useState<'day' | 'week'>('day');
  return (
    <Screen
      focused
      title="Plan on paper"
      back={goBack('/plan')}
      right={<Button look="act" className="mx-2" label="Print" onPress={() => window.print()} />}
    >
      <Choice
        hideLabel
        label="How much"
        options={[
          { value: 'day', label: 'Today' },
          { value: 'week', label: 'The week' },
        ]}
        value={span}
        onChange={setSpan}
      />
      <Loaded query={query}>
        {(board) => {
          const today = dayIn(board.zone, board.now);
          const days = Array.from({ length: span === 'day' ? 1 : 7 }, (_, n) => dayAfter(today, n));
          const said = board.published
            ? `Plan ${board.version}, by ${board.published.by}, ${clock(board.published.at, board.zone)}. Printed ${clock(board.now, board.zone)}.`
            : 'No plan yet.';
          return createElement(
            'div',
            { className: 'paper' },
            h('h1', 'title', span === 'day' ? 'Day sheet' : 'Week sheet'),
            h('p', 'said', said),
            ...days.map((day) => createElement(DayPaper, { key: day, board, day })),
          );
        }}
      </Loaded>
    </Screen>
  );
}
