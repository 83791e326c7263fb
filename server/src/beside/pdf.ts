import type { InspectionPrintout, JobPrintout, PrintedFinding } from '@zealous-axle/core';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces';

const INK = '#1c1f1e';
const SOFT = '#5a605d';
const LINE = '#b9beba';

const FONTS = '@expo-google-fonts/atkinson-hyperlegible-next';
const font = (style: string): string => require.resolve(`${FONTS}/${style}/AtkinsonHyperlegibleNext_${style}.ttf`);

async function loadPrinter() {
  const { default: pdfmake } = await import('pdfmake');
  const [normal, bold] = [font('400Regular'), font('600SemiBold')];
  pdfmake.setFonts({ Hyperlegible: { normal, bold, italics: normal, bolditalics: bold } });
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((path: string) => path === normal || path === bold);
  return pdfmake;
}

/** Loaded when the first paper is asked for: it is more than a quarter of what the server would load to start. */
let printer: ReturnType<typeof loadPrinter> | undefined;

/** The fonts that ship hold Latin letters: what they lack is written with what they have. */
const plain = (text: string): string => text.replaceAll('½', '1/2').replaceAll('−', '-').replaceAll('″', ' in');

const rule = { hLineColor: () => LINE, vLineColor: () => LINE, hLineWidth: () => 0.5, vLineWidth: () => 0.5 };
const title = (text: string): Content => ({ text, bold: true, fontSize: 11, margin: [0, 8, 0, 3] });
const cell = (lines: readonly string[]): Content => ({
  stack: lines.length ? lines.map(plain) : [{ text: 'nothing measured', color: SOFT }],
  fontSize: 8,
});

/** Facts in two columns. */
const factColumns = (facts: readonly [string, string][]): Content => ({
  columns: [0, 1].map((side) => ({
    stack: facts
      .filter((_, index) => index % 2 === side)
      .map(([label, words]) => ({ text: [{ text: `${label}: `, color: SOFT }, plain(words)], fontSize: 9 })),
  })),
  columnGap: 16,
});

/** A line for each signature. */
const signatureLines = (signatures: readonly string[]): Content =>
  ({
    columns: signatures.map((who) => ({
      stack: [
        { text: '', margin: [0, 26, 0, 0] },
        { canvas: [{ type: 'line', x1: 0, y1: 0, x2: 220, y2: 0, lineWidth: 0.7 }] },
        { text: `${who}, date`, fontSize: 8 },
      ],
    })),
    columnGap: 24,
    unbreakable: true,
  }) as Content;

function planTable({ plan, sides }: InspectionPrintout): Content {
  const head = [sides.left, '', sides.right].map((text) => ({
    text,
    bold: true,
    fontSize: 8,
    alignment: 'center' as const,
  }));
  return {
    table: {
      widths: ['*', 56, '*'],
      body: [
        head,
        ...plan.map(({ axle, ends }) => [
          cell(ends.left),
          {
            text: axle,
            bold: true,
            alignment: 'center' as const,
            fontSize: 8,
            margin: [0, 8, 0, 0] as [number, number, number, number],
          },
          cell(ends.right),
        ]),
      ],
    },
    layout: rule,
  };
}

const findingRow = ({
  place,
  what,
  measured,
  limit,
  margin,
  verdict,
  because,
  rule: source,
}: PrintedFinding): Content[] => [
  { text: place, bold: true },
  { stack: [{ text: what, bold: true }, ...(measured ? [plain(measured)] : [])] },
  { stack: [plain(limit), ...(margin ? [{ text: `margin ${plain(margin)}`, color: SOFT }] : [])] },
  { text: verdict, bold: true },
  { stack: [plain(because), { text: source, color: SOFT, fontSize: 7 }] },
];

function findingsTable(findings: readonly PrintedFinding[]): Content {
  if (findings.length === 0) return { text: 'None past a limit.', fontSize: 9 };
  const head = ['Place', 'What', 'Limit', 'Verdict', 'Why'].map((text) => ({ text, bold: true }));
  return {
    table: {
      headerRows: 1,
      widths: [42, 90, 70, 66, '*'],
      body: [head, ...findings.map(findingRow)],
      dontBreakRows: true,
    },
    layout: rule,
    fontSize: 8,
  };
}

const lines = (name: string, texts: readonly string[]): Content[] =>
  texts.length ? [title(name), { stack: texts.map((text) => ({ text: plain(text), fontSize: 8 })) }] : [];

function documentOf(paper: InspectionPrintout): TDocumentDefinitions {
  return {
    pageSize: 'LETTER',
    pageMargins: [40, 36, 40, 44],
    defaultStyle: { font: 'Hyperlegible', fontSize: 9, color: INK, lineHeight: 1.1 },
    info: { title: paper.title, creator: 'Zealous Axle' },
    footer: (page, pages) => ({
      columns: [
        { text: plain(paper.book), color: SOFT },
        { text: `${page} of ${pages}`, alignment: 'right', color: SOFT },
      ],
      fontSize: 7,
      margin: [40, 12, 40, 0],
    }),
    content: [
      {
        columns: [
          { text: plain(paper.title), bold: true, fontSize: 16 },
          { text: paper.verdict, bold: true, fontSize: 14, alignment: 'right' },
        ],
      },
      { text: paper.sentence, margin: [0, 0, 0, 6] },
      factColumns(paper.facts),
      ...(paper.brakes
        ? [{ text: [{ text: 'Brake count: ', bold: true }, plain(paper.brakes)], margin: [0, 6, 0, 0] } as Content]
        : []),
      title('Running gear'),
      planTable(paper),
      ...lines('Unit', paper.unit),
      title('Findings, worst first'),
      findingsTable(paper.findings),
      { text: `${paper.within} readings and checks inside their limits.`, fontSize: 8, margin: [0, 4, 0, 0] },
      ...lines('No verdict: never a pass', paper.open),
      ...lines('Skipped, because', paper.skips),
      ...lines('Sent by gauges', paper.gauges),
      ...lines('Changed of the unit', paper.changes),
      signatureLines(paper.signatures),
      { stack: paper.cautions.map((text) => ({ text: plain(text), fontSize: 7, color: SOFT })), margin: [0, 8, 0, 0] },
    ],
  };
}

/** An inspection on paper as PDF, on one or two pages. */
export async function inspectionPdf(paper: InspectionPrintout): Promise<Uint8Array> {
  printer ??= loadPrinter();
  const pdfmake = await printer;
  return pdfmake.createPdf(documentOf(paper)).getBuffer();
}

const CODE_POINTS = 150;
/** The signature as a code that any phone reads: checked on the page that checks a history, without a server. */
const codeBlock = (code: string): Content[] => [
  { qr: code, fit: CODE_POINTS, eccLevel: 'L', margin: [0, 10, 0, 2] },
  {
    text: 'Signed with the key of the signer’s own device. Read this code with a phone and put its text into the history checker.',
    fontSize: 7,
    color: SOFT,
  },
];

/** A job's certificate on paper as PDF. */
export async function jobPdf(paper: JobPrintout): Promise<Uint8Array> {
  printer ??= loadPrinter();
  const pdfmake = await printer;
  return pdfmake
    .createPdf({
      pageSize: 'LETTER',
      pageMargins: [40, 36, 40, 44],
      defaultStyle: { font: 'Hyperlegible', fontSize: 10, color: INK },
      content: [
        { text: plain(paper.title), bold: true, fontSize: 16, margin: [0, 0, 0, 6] },
        factColumns(paper.facts),
        ...paper.sections.flatMap((section) => lines(section.title, section.lines)),
        signatureLines(paper.signatures),
        ...(paper.code ? codeBlock(paper.code) : []),
        {
          stack: paper.cautions.map((text) => ({ text: plain(text), fontSize: 7, color: SOFT })),
          margin: [0, 8, 0, 0],
        },
      ],
    })
    .getBuffer();
}
