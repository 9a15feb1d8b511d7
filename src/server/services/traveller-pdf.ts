import type { Content, TableCell } from 'pdfmake/interfaces';
import QRCode from 'qrcode';
import type { JobPapers } from '@/contracts/job';
import type { FrozenRoute } from '@/contracts/route-issue';
import type { Machine } from '@/core/cutting/machine';
import { depth } from '@/core/answer/answer';
import { changePoints, firstArticle, nameOfSetUp } from '@/core/route/batch';
import type { RouteSetUp, Visit } from '@/core/route/route';
import { shopTime } from '@/core/units/shop-time';
import { showText, tell, turnsText, type Display } from '@/core/units/show';
import { papersLine } from './inspection-pdf';
import { faceOnPaper, sheetPdf, type SheetPaper } from './sheet-pdf';

const minutes = (seconds: number): string =>
  seconds < 90 ? `${Math.round(seconds)} s` : `${(seconds / 60).toFixed(0)} min`;

/** The pulleys of a machine with the rows that a speed takes, black on white. */
function beltSvg(machine: Machine | undefined, rpm: number | undefined): string | undefined {
  if (!machine?.pulleys || machine.speeds.kind !== 'steps' || rpm === undefined) return undefined;
  const rows = machine.speeds.steps.find((s) => s.rpm === rpm)?.rows;
  if (!rows) return undefined;
  const H = 7;
  const drawn = machine.pulleys.belts.map((belt, b) => {
    const most = Math.max(...belt.rows.flatMap((r) => [r.drivingMm, r.drivenMm]));
    return belt.rows
      .map((row, i) => {
        const used = rows[b] === row.name;
        const width = (mm: number): number => (24 * mm) / most;
        const pulley = (x: number, mm: number): string =>
          `<rect x="${x - width(mm) / 2}" y="${i * H}" width="${width(mm)}" height="${H - 1.5}" fill="${used ? 'black' : 'none'}" stroke="black" stroke-width="0.6"/>`;
        const x = b * 80;
        return (
          pulley(x + 14, row.drivingMm) +
          pulley(x + 54, row.drivenMm) +
          (used
            ? `<line x1="${x + 14}" y1="${i * H + 2.7}" x2="${x + 54}" y2="${i * H + 2.7}" stroke="black" stroke-width="2"/>`
            : '')
        );
      })
      .join('');
  });
  const tall = Math.max(...machine.pulleys.belts.map((b) => b.rows.length)) * H;
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${machine.pulleys.belts.length * 80 - 8} ${tall}">${drawn.join('')}</svg>`;
}

const holesOf = (visit: Visit): string => {
  const byLetter = new Map<string, number[]>();
  for (const { letter, hole } of visit.items) byLetter.set(letter, [...(byLetter.get(letter) ?? []), hole]);
  return [...byLetter]
    .map(([letter, list]) => {
      const numbers = [...new Set(list)];
      return numbers.length > 8 ? `${letter} ×${numbers.length}` : numbers.map((n) => `${letter}${n}`).join(' ');
    })
    .join('  ');
};

const different = (values: (number | undefined)[]): number[] => [
  ...new Set(values.filter((v): v is number => v !== undefined).map((v) => Math.round(v * 100) / 100)),
];

function visitRow(visit: Visit, i: number, machine: Machine | undefined, display: Display): TableCell[] {
  const orders = [...new Set(visit.items.map((item) => tell(item.order, display)))].slice(0, 4);
  const cautions = [...new Set(visit.items.flatMap((item) => (item.cautions ?? []).map((c) => tell(c, display))))];
  const depths = different(visit.items.map((item) => item.stopMm)).map((mm) => showText(depth(mm), display));
  const outs = [...new Set(visit.items.flatMap((item) => (item.outs ? [tell(item.outs, display)] : [])))].slice(0, 2);
  const stops = depths.length === 0 && visit.items.some((item) => item.stopOff) ? ['stop off'] : depths;
  const turns = different(visit.items.map((item) => item.turns)).map((n) => turnsText(n, true));
  const belts = beltSvg(machine, visit.rpm);
  return [
    { text: String(i + 1), fontSize: 13, bold: true },
    {
      stack: [
        { text: `${visit.tool}${visit.inCrib ? '' : ' (to buy)'}`, bold: true, fontSize: 13 },
        ...orders.map((text): Content => ({ text, fontSize: 9.5 })),
        ...cautions.map((text): Content => ({ text: `! ${text}`, bold: true, fontSize: 9.5, margin: [0, 2, 0, 0] })),
      ],
    },
    {
      stack: [
        ...(visit.rpm === undefined ? [] : [{ text: `${visit.rpm.toFixed(0)} rev/min`, bold: true, fontSize: 12 }]),
        ...(visit.speedLabel ? [{ text: visit.speedLabel, fontSize: 9.5 }] : []),
        ...(belts ? [{ svg: belts, width: 92, margin: [0, 3, 0, 0] } as Content] : []),
      ],
    },
    {
      stack: [
        ...(stops.length > 0
          ? [{ text: depths.length > 0 ? `stop ${stops.join(', ')}` : stops.join(), bold: true, fontSize: 11 }]
          : []),
        ...outs.map((text): Content => ({ text, fontSize: 9 })),
        ...(turns.length > 0 ? [{ text: `${turns.join(', ')} turns`, bold: true, fontSize: 11 }] : []),
        { text: holesOf(visit), fontSize: 10 },
      ],
    },
    {
      svg: '<svg viewBox="0 0 16 16"><rect x="1" y="1" width="14" height="14" fill="none" stroke="black" stroke-width="1.4"/></svg>',
      width: 15,
    },
    { text: '' },
  ];
}

async function setUpContent(
  setUp: RouteSetUp,
  number: number,
  machine: Machine | undefined,
  display: Display,
  link: string,
  quantity: number,
): Promise<Content[]> {
  const code = await QRCode.toString(link, { type: 'svg', margin: 0 });
  const head: TableCell[] = ['', 'Tool and work', 'Speed', 'Set', '', 'Notes'].map((text) => ({
    text,
    bold: true,
    fontSize: 9,
  }));
  const batch =
    quantity > 1
      ? `, ${setUp.mode === 'part' ? 'one part finished before the next' : 'each operation over all parts'}`
      : '';
  return [
    {
      columns: [
        [
          { text: `${number}  ${nameOfSetUp(setUp)}`, fontSize: 16, bold: true },
          { text: `${minutes(setUp.seconds)} for all parts${batch}`, fontSize: 10 },
        ],
        { svg: code, width: 42, alignment: 'right' },
      ],
      margin: [0, 12, 0, 4],
    },
    {
      table: {
        headerRows: 1,
        dontBreakRows: true,
        widths: [16, '*', 100, 96, 16, 78],
        body: [head, ...setUp.visits.map((visit, i) => visitRow(visit, i, machine, display))],
      },
      layout: 'roomy',
    },
  ];
}

/**
 * An issued route as a sheet to take to the machine: what is made, the face, every set-up with its operations, boxes and
 * room to write. Black on white, read from half a metre.
 */
export async function travellerPdf(
  issue: FrozenRoute,
  papers: JobPapers,
  origin: string,
  paper: SheetPaper,
  zone: string,
): Promise<Uint8Array> {
  const { job, shop } = issue.inputs;
  const display = job.units ?? 'mm';
  const { route } = issue;
  const material = shop.materials.find((m) => m.id === job.materialId);
  const face = faceOnPaper(job);
  const changes = material ? changePoints(route, material, shop) : [];
  const checks = firstArticle(route);
  const setUps = await Promise.all(
    route.setUps.map((setUp, i) =>
      setUpContent(
        setUp,
        i + 1,
        shop.machines.find((m) => m.id === setUp.machine?.id),
        display,
        `${origin}/jobs/${job.id}/route#${encodeURIComponent(setUp.key)}`,
        route.quantity,
      ),
    ),
  );
  const content: Content = [
    {
      columns: [
        [
          { text: job.name, fontSize: 22, bold: true },
          {
            text: `Route ${issue.number}, issued ${shopTime(Date.parse(issue.issuedAt), zone, 'date')}${issue.who ? ` by ${issue.who}` : ''}`,
            fontSize: 12,
          },
          {
            text: `${material?.label ?? job.materialId}${job.part.condition ? `, ${job.part.condition}` : ''}`,
            fontSize: 13,
            margin: [0, 6, 0, 0],
          },
          {
            text: `${route.quantity} ${route.quantity === 1 ? 'part' : 'parts'}, ${minutes(route.seconds)} in all`,
            fontSize: 13,
          },
          ...(papersLine(papers) ? [{ text: papersLine(papers), fontSize: 12 } as Content] : []),
          ...(job.route?.deadline ? [{ text: `Due ${job.route.deadline}`, fontSize: 12, bold: true } as Content] : []),
          { text: 'Eye protection. No gloves at the spindle. Clamp the work.', bold: true, margin: [0, 6, 0, 0] },
          ...(job.notes ? [{ text: job.notes, fontSize: 10, margin: [0, 4, 0, 0] } as Content] : []),
        ],
        ...(face ? [{ svg: face, width: 190 } as Content] : []),
      ],
    },
    ...setUps.flat(),
    ...(checks.length > 0
      ? ([
          { text: 'First part: measure before the rest', fontSize: 14, bold: true, margin: [0, 14, 0, 2] },
          { ul: checks.map((p) => tell(p, display)), fontSize: 10 },
        ] as Content[])
      : []),
    ...(changes.length > 0
      ? ([
          { text: 'Change in time', fontSize: 14, bold: true, margin: [0, 14, 0, 2] },
          {
            ul: changes.map((c) => `${c.tool}: after ${c.changeAt.join(', ')} of ${c.uses} holes`),
            fontSize: 10,
          },
        ] as Content[])
      : []),
  ];
  content.push({
    text: `Good ________  of ${route.quantity}      Scrap ________      Signed ______________________      Date ______________`,
    margin: [0, 24, 0, 0],
  });
  return sheetPdf({ title: `${job.name}, route ${issue.number}`, foot: `Dates of ${zone}.`, paper, content });
}
