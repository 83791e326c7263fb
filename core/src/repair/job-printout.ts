import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns/format';
import { defectWords } from '../reading';
import { placeWords, positionCode } from '../trailer';
import type { JobPage } from './views';

/** A job as it is printed: what was found, done, taken, torqued, and who signed for it. */
export interface JobPrintout {
  title: string;
  facts: [label: string, words: string][];
  sections: { title: string; lines: string[] }[];
  signatures: string[];
  cautions: string[];
}

const CAUTIONS = [
  'Local law, the maker’s manual and licensed practice decide. The program keeps what people wrote; the person who signs is answerable.',
];

/** The certificate of a job on paper. `zone` is the fleet's. */
export function jobPrintout(page: JobPage, fleet: { name: string; zone: string }): JobPrintout {
  const { job, defects, work, ticks, times, parts, fitted, documents, retorque } = page;
  const at = (instant: string) => format(new TZDate(instant, fleet.zone), 'd MMM yyyy, HH:mm');
  const minutes = ({ from, to }: JobPage['times'][number]) =>
    to ? `${Math.round((Date.parse(to) - Date.parse(from)) / 60_000)} min` : 'running';
  const unneeded = new Map(job.certified?.unneeded.map(({ defect, reason }) => [defect, reason]));
  const section = (title: string, lines: string[]) => (lines.length ? [{ title, lines }] : []);
  const tickOf = (key: string) => ticks.find(({ step, done }) => done && step === key);
  return {
    title: `${job.unit.number}: ${job.title}`,
    facts: [
      ['Fleet', fleet.name],
      ['Unit', `${job.unit.number}, ${job.unit.body}`],
      ['State', job.state],
      ['Bay', job.bay?.name ?? 'none'],
      ['Done', job.doneAt ? at(job.doneAt) : 'not yet'],
    ],
    sections: [
      ...section(
        'Defects',
        defects.map((each) => {
          const place = each.axle === null ? 'Unit' : placeWords(each);
          const reason = unneeded.get(each.id);
          const end = reason ? `no repair needed: ${reason}` : job.certified ? 'repaired' : 'not certified';
          return `${place}: ${defectWords(each.code)}${each.words ? ` (${each.words})` : ''} – ${end}`;
        }),
      ),
      ...section('What was done', job.done ? [job.done] : []),
      ...section(
        'Steps',
        work.steps.map(({ key, words }) => {
          const tick = tickOf(key);
          return `${words}: ${tick ? `${tick.by}, ${at(tick.at)}` : 'not ticked'}`;
        }),
      ),
      ...section(
        'Time',
        times.map((time) => `${time.person.name}, from ${at(time.from)}: ${minutes(time)}`),
      ),
      ...section(
        'Parts',
        parts.map(
          ({ name, needed, taken, without }) =>
            `${taken} of ${needed} × ${name}${without ? ` – left out: ${without}` : ''}`,
        ),
      ),
      ...section(
        'Fitted new',
        fitted.map(({ part, number, limit, ...place }) =>
          [
            `${positionCode(place)} ${part}`,
            number || 'number not noted',
            limit ? `its limit ${limit}` : 'no limit noted',
          ].join(', '),
        ),
      ),
      ...section(
        'Torque',
        job.torque.map(({ wheel, value, tool, calibrated, by, at: when }) => {
          const where = wheel
            ? `${positionCode({ ...wheel, tyre: null })}, ${wheel.holes} nuts, ${wheel.stage === 'snug' ? 'drawn up by hand' : value}`
            : value;
          return `${where}, ${tool}${calibrated ? `, calibrated until ${calibrated}` : ''}. ${by}, ${at(when)}`;
        }),
      ),
      ...section(
        'Torqued again',
        retorque ? [`By ${retorque.on}${retorque.done ? `, done ${at(retorque.done)}` : ', open'}`] : [],
      ),
      ...section(
        'Documents',
        documents.map(({ title, text }) => `${title}: ${text}`),
      ),
      ...section(
        'Certificate',
        job.certified
          ? [
              job.certified.statement,
              `${job.certified.by}${job.certified.qualification ? `, ${job.certified.qualification}` : ''}, ${at(job.certified.at)}`,
            ]
          : ['Not certified.'],
      ),
    ],
    signatures: job.certified ? [job.certified.by] : [],
    cautions: CAUTIONS,
  };
}
