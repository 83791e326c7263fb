import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns/format';
import { defectWords } from '../reading';
import { placeWords, positionCode } from '../trailer';
import type { JobRecord } from './views';

/** A job as it is printed: what was found, done, taken, torqued, and who signed for it. */
export interface JobPrintout {
  title: string;
  facts: [label: string, words: string][];
  sections: { title: string; lines: string[] }[];
  signatures: string[];
  /** What stands in the code beside the signature; null where there is none. */
  code: string | null;
  cautions: string[];
}

const CAUTIONS = [
  'Local law, the maker’s manual and licensed practice decide. The program keeps what people wrote; the person who signs is answerable.',
];

type Section = JobPrintout['sections'][number];
/** An instant as the fleet's clock has it. */
type At = (instant: string) => string;

const section = (title: string, lines: readonly string[]): Section[] =>
  lines.length ? [{ title, lines: [...lines] }] : [];

function defectLines({ job, defects }: JobRecord): string[] {
  const unneeded = new Map(job.certified?.unneeded.map(({ defect, reason }) => [defect, reason]));
  return defects.map((each) => {
    const place = each.axle === null ? 'Unit' : placeWords(each);
    const reason = unneeded.get(each.id);
    const end = reason ? `no repair needed: ${reason}` : job.certified ? 'repaired' : 'not certified';
    return `${place}: ${defectWords(each.code)}${each.words ? ` (${each.words})` : ''} – ${end}`;
  });
}

function stepLines({ work, ticks }: JobRecord, at: At): string[] {
  const tickOf = (key: string) => ticks.find(({ step, done }) => done && step === key);
  return work.steps.map(({ key, words }) => {
    const tick = tickOf(key);
    return `${words}: ${tick ? `${tick.by}, ${at(tick.at)}` : 'not ticked'}`;
  });
}

const minutesWords = ({ from, to }: JobRecord['times'][number]): string =>
  to ? `${Math.round((Date.parse(to) - Date.parse(from)) / 60_000)} min` : 'running';

const timeLines = ({ times }: JobRecord, at: At): string[] =>
  times.map((time) => `${time.person.name}, from ${at(time.from)}: ${minutesWords(time)}`);

const partLines = ({ parts }: JobRecord): string[] =>
  parts.map(
    ({ name, needed, taken, without }) => `${taken} of ${needed} × ${name}${without ? ` – left out: ${without}` : ''}`,
  );

const fittedLines = ({ fitted }: JobRecord): string[] =>
  fitted.map(({ part, number, limit, ...place }) =>
    [
      `${positionCode(place)} ${part}`,
      number || 'number not noted',
      limit ? `its limit ${limit}` : 'no limit noted',
    ].join(', '),
  );

const torqueLines = ({ job }: JobRecord, at: At): string[] =>
  job.torque.map(({ wheel, value, tool, calibrated, by, at: when }) => {
    const where = wheel
      ? `${positionCode({ ...wheel, tyre: null })}, ${wheel.holes} nuts, ${wheel.stage === 'snug' ? 'snug' : value}`
      : value;
    return `${where}, ${tool}${calibrated ? `, calibrated until ${calibrated}` : ''}. ${by}, ${at(when)}`;
  });

function certificateLines({ job: { certified } }: JobRecord, at: At): string[] {
  if (!certified) return ['Not certified.'];
  const { statement, by, qualification, at: when } = certified;
  return [statement, `${by}${qualification ? `, ${qualification}` : ''}, ${at(when)}`];
}

/** The entry of the records that covers the certificate, as somebody compares it by eye. */
const sealLines = ({ sealed }: JobRecord): string[] =>
  sealed ? [`Entry ${sealed.nr} of this fleet’s records: ${sealed.hash.replace(/(.{8})(?=.)/g, '$1 ')}`] : [];

/** The certificate of a job on paper. `zone` is the fleet's. */
export function jobPrintout(page: JobRecord, fleet: { name: string; zone: string }): JobPrintout {
  const { job, documents, retorque } = page;
  const at: At = (instant) => format(new TZDate(instant, fleet.zone), 'd MMM yyyy, HH:mm');
  const again = retorque ? [`By ${retorque.on}${retorque.done ? `, done ${at(retorque.done)}` : ', open'}`] : [];
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
      ...section('Defects', defectLines(page)),
      ...section('What was done', job.done ? [job.done] : []),
      ...section('Steps', stepLines(page, at)),
      ...section('Time', timeLines(page, at)),
      ...section('Parts', partLines(page)),
      ...section('Fitted new', fittedLines(page)),
      ...section('Torque', torqueLines(page, at)),
      ...section('Torqued again', again),
      ...section(
        'Documents',
        documents.map(({ title, text }) => `${title}: ${text}`),
      ),
      ...section('Certificate', [...certificateLines(page, at), ...sealLines(page)]),
    ],
    signatures: job.certified ? [job.certified.by] : [],
    code: page.code,
    cautions: CAUTIONS,
  };
}
