import type { Content, TableCell } from 'pdfmake/interfaces';
import { readText, VERDICT_WORD } from '@/core/formats/inspection-csv';
import { shopTime } from '@/core/units/shop-time';
import { tell } from '@/core/units/show';
import type { JobPapers } from '@/contracts/job';
import type { NotGauged } from '@/core/run/not-gauged';
import { serialOf } from '@/core/run/serial';
import { Refusal } from '../refusal';
import type { Inspected } from './run-service';
import { faceOnPaper, sheetPdf, type SheetPaper } from './sheet-pdf';

const SIGN = { good: '', bad: '! ', open: '? ' } as const;
const HEAD = ['Part', 'Hole', 'Gauged', 'Limits', 'Read', 'Result', 'Decided', 'With, by'];

/** Parts and holes of a list, a part after the other: part 2: A1, A3. */
function holesByPart(list: readonly NotGauged[], quantity: number): string[] {
  const by = new Map<string, string[]>();
  for (const { hole, at, why } of list) {
    const key = `${quantity > 1 ? `part ${at.part}` : ''}${why ? ` (${why})` : ''}`;
    by.set(key, [...(by.get(key) ?? []), hole]);
  }
  return [...by].map(([key, holes]) => `${holes.join(', ')}${key ? ` ${key.trim()}` : ''}`);
}

/** What a customer looks for first: drawing, revision, order, part and serial. */
export const papersLine = ({ drawing, revision, order, partNumber }: JobPapers): string =>
  [
    drawing && `Drawing ${drawing}${revision ? `, revision ${revision}` : ''}`,
    partNumber && `Part ${partNumber}`,
    order && `Order ${order}`,
  ]
    .filter(Boolean)
    .join('     ');

/** Holes that were not gauged are listed one by one up to so many. */
const MOST_NOT_GAUGED = 60;

/** So many readings stand on one sheet. */
const MOST_ROWS = 6000;
const tooManyRows = (rows: number): Refusal => {
  const detail = `${rows} readings are too many for one sheet; it takes ${MOST_ROWS}.`;
  return new Refusal(422, 'Sheet too large', detail, [
    {
      field: 'from',
      code: 'sheet-large',
      detail,
      remedy: 'Name its first and last part with from and to, or take the CSV.',
    },
  ]);
};

/** What was gauged on a job, hole by hole, with verdicts, what was decided, and room to sign. Black on white. */
export async function inspectionPdf(
  { issue, rows, notGauged, papers }: Inspected,
  paper: SheetPaper,
  zone: string,
): Promise<Uint8Array> {
  if (rows.length > MOST_ROWS) throw tooManyRows(rows.length);
  const { job, shop } = issue.inputs;
  const display = job.units ?? 'mm';
  const material = shop.materials.find((m) => m.id === job.materialId);
  const face = faceOnPaper(job);
  const every = job.route?.checkEvery ?? 1;
  const bad = rows.filter((r) => r.verdict === 'bad').length;
  const head: TableCell[] = HEAD.map((text) => ({ text, bold: true }));
  const body = rows.map((r): TableCell[] => [
    papers.serial
      ? { stack: [String(r.part), { text: serialOf(papers.serial, r.part), fontSize: 7.5 }] }
      : String(r.part),
    { stack: [{ text: r.hole, bold: true }, ...(r.isFirst ? [{ text: 'first', fontSize: 8 }] : [])] },
    r.check,
    tell(r.limits, display),
    readText(r, display),
    {
      stack: [
        { text: `${SIGN[r.verdict]}${VERDICT_WORD[r.verdict]}`, bold: true },
        { text: tell(r.reason, display), fontSize: 8 },
      ],
    },
    [r.decision, r.accepted].filter(Boolean).join(', '),
    [r.instrument, r.who, shopTime(Date.parse(r.at), zone, 'date')].filter(Boolean).join(', '),
  ]);
  const content: Content = [
    {
      columns: [
        [
          { text: 'Inspection sheet', fontSize: 12 },
          { text: job.name, fontSize: 22, bold: true },
          {
            text: `Route ${issue.number}, ${issue.quantity} ${issue.quantity === 1 ? 'part' : 'parts'}, ${material?.label ?? job.materialId}`,
            fontSize: 12,
          },
          ...(papersLine(papers) ? [{ text: papersLine(papers), fontSize: 12 }] : []),
          {
            text:
              rows.length === 0
                ? 'Nothing gauged yet.'
                : `${rows.length} gauged, ${bad === 0 ? 'none' : bad} of them not good.`,
            bold: true,
            margin: [0, 6, 0, 0],
          },
        ],
        ...(face ? [{ svg: face, width: 130 } as Content] : []),
      ],
    },
    ...(rows.length > 0
      ? [
          {
            margin: [0, 12, 0, 0],
            fontSize: 9,
            table: {
              headerRows: 1,
              dontBreakRows: true,
              widths: [papers.serial ? 42 : 20, 24, 62, 58, '*', 88, 58, 72],
              body: [head, ...body],
            },
            layout: 'ruled',
          } as Content,
        ]
      : []),
    ...(notGauged.length > 0
      ? [
          {
            text: `Not gauged: ${
              notGauged.length > MOST_NOT_GAUGED
                ? `${notGauged.length} holes`
                : holesByPart(notGauged, issue.quantity).join('; ')
            }.`,
            bold: true,
            margin: [0, 10, 0, 0],
          } as Content,
        ]
      : []),
    ...(every > 1
      ? [
          {
            text: `Sampled: the first part, one in ${every}, and the last; all after a fault.`,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
    {
      text: 'Inspected by ______________________      Accepted by ______________________      Date ______________',
      margin: [0, 28, 0, 0],
    },
  ];
  return sheetPdf({ title: `${job.name}, inspection`, foot: `Times of ${zone}.`, paper, content });
}
