import type { Content, TableCell } from 'pdfmake/interfaces';
import { readText, VERDICT_WORD } from '@/core/formats/inspection-csv';
import { shopTime } from '@/core/units/shop-time';
import { tell } from '@/core/units/show';
import { Refusal } from '../refusal';
import type { Inspected } from './run-service';
import { faceOnPaper, sheetPdf, type SheetPaper } from './sheet-pdf';

const SIGN = { good: '', bad: '! ', open: '? ' } as const;
const HEAD = ['Part', 'Hole', 'Gauged', 'Read', 'Verdict', 'Decided', 'By'];

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
export async function inspectionPdf({ issue, rows }: Inspected, paper: SheetPaper, zone: string): Promise<Uint8Array> {
  if (rows.length > MOST_ROWS) throw tooManyRows(rows.length);
  const { job, shop } = issue.inputs;
  const display = job.units ?? 'mm';
  const material = shop.materials.find((m) => m.id === job.materialId);
  const face = faceOnPaper(job);
  const bad = rows.filter((r) => r.verdict === 'bad').length;
  const head: TableCell[] = HEAD.map((text) => ({ text, bold: true }));
  const body = rows.map((r): TableCell[] => [
    String(r.part),
    { text: r.hole, bold: true },
    r.check,
    readText(r, display),
    {
      stack: [
        { text: `${SIGN[r.verdict]}${VERDICT_WORD[r.verdict]}`, bold: true },
        { text: tell(r.reason, display), fontSize: 8 },
      ],
    },
    r.decision ?? '',
    [r.who, r.instrument, shopTime(Date.parse(r.at), zone, 'time')].filter(Boolean).join(', '),
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
            fontSize: 9.5,
            table: {
              headerRows: 1,
              dontBreakRows: true,
              widths: [24, 28, 74, '*', 130, 70, 76],
              body: [head, ...body],
            },
            layout: 'ruled',
          } as Content,
        ]
      : []),
    { text: 'Inspected by ______________________      Date ______________', margin: [0, 28, 0, 0] },
  ];
  return sheetPdf({ title: `${job.name}, inspection`, foot: `Times of ${zone}.`, paper, content });
}
