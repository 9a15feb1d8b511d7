import { distance } from 'fastest-levenshtein';
import { phrase, type Phrase, type Result } from '../answer/answer';
import { StopReading, stopReading } from '../answer/stop-reading';
import { inchToMm, mmToInch, parseLength, type LengthUnit } from '../units/length';
import { trimmed } from '../units/show';
import { classLimits } from './class-limits';
import {
  inchSize,
  inchSizeName,
  inchThread,
  metricThread,
  threadBySize,
  THREADS,
  threadsOfDiameter,
  unifiedBy,
} from './find-thread';
import { isMetric, isTapered, type Thread, type ThreadSeries } from './thread';
import { ISO_MINOR_TOLERANCE_UM } from './threads.table';

/** How deep a feature goes; undefined in the callout when it does not say. */
export type Extent = { kind: 'through' } | { kind: 'depth'; mm: number };

export type CalloutFeature =
  | { kind: 'thread'; thread: Thread; className?: string; leftHand: boolean; extent?: Extent }
  | { kind: 'hole'; diameterMm: number; ream: boolean; fit?: string; extent?: Extent }
  | { kind: 'counterbore'; diameterMm: number; extent?: Extent }
  | { kind: 'countersink'; diameterMm: number; angleDeg: number; extent?: Extent };

/** A drawing's callout, read: features in the order written. */
export interface Callout {
  count: number;
  features: CalloutFeature[];
  /** What was taken without being written, so that nothing is silent. */
  notes: Phrase[];
}

const MAX_LENGTH = 200;
const SIZE = String.raw`#\s*\d{1,2}|\d{1,2}[-\s]\d{1,2}\/\d{1,2}|\d{1,2}\/\d{1,2}|\d?\.\d{2,5}|\d{1,2}`;
const LENGTH = String.raw`(?:\d{1,3}[-\s])?\d{1,4}\/\d{1,3}|\d*[.,]?\d+`;
const UNIT = String.raw`(?:\s*(?:mm|in(?:ch(?:es)?)?\b\.?|"|thou\b))?`;
const MEASURE = `(?:${LENGTH})${UNIT}`;
const sticky = (source: string): RegExp => new RegExp(source, 'y');

const PATTERN = {
  space: sticky(String.raw`[\s,;]+`),
  bracketedCount: sticky(String.raw`\((\d{1,5})\)(?=\s*\S)`),
  count: sticky(
    String.raw`\(?(\d{1,5})\)?\s*(?:x\s*(?=[a-z#ø.(]|\d+[\s-]?ba|\d+\/|\d+\s*-\s*\d)|-\s*(?=m\s*\d)|(?:off|pl(?:aces?|cs)?|holes?)\b\s*(?:[-:]\s*)?)`,
  ),
  trailingCount: sticky(
    String.raw`(?:[x(]\s*)?(\d{1,5})\s*(?:x(?![\d.]|\s*[\d.])|(?:off|places?|plcs?|pl|holes?)\b)\)?`,
  ),
  metric: sticky(String.raw`m\s*(\d{1,3}(?:[.,]\d{1,3})?)(?![\d.])`),
  metricPitch: sticky(String.raw`\s*[x*-]\s*(\d*[.,]?\d+)(?![\d/]|\s*[gh]\b|[gh])`),
  metricClass: sticky(String.raw`\s*[-–]?\s*(\d[efgh](?:\d[efgh])?)(?![a-z\d])`),
  inchThread: sticky(
    String.raw`(?:no\.?\s*)?(${SIZE})\s*(?:"|in\b)?\s*-\s*(\d{1,2}(?:\.\d)?)(?![\d./])\s*-?\s*(unc|unef|unf|uns|un|bsw|whit\w*|bsf|nptf|npt|bspp|bsp)?\b`,
  ),
  inchBySize: sticky(
    String.raw`(?:no\.?\s*)?(${SIZE})\s*(?:"|in\b)?\s*-?\s*(unc|unef|unf|bsw|whit\w*|bsf|nptf|npt|bspp|bspt|bsp)\b(?:\s*-?\s*(\d{1,2}(?:\.\d)?)(?![\d.]))?`,
  ),
  seriesFirst: sticky(
    String.raw`(nptf|npt|bspp|bspt|bsp|rc|rp|g)\s*(${SIZE})(?:\s*(?:"|in\b))?(?:\s*-\s*(\d{1,2}(?:\.\d)?))?\s*([ab]\b)?`,
  ),
  ba: sticky(String.raw`(?:no\.?\s*)?(\d{1,2})\s*-?\s*ba\b|ba\s*(\d{1,2})\b`),
  otherForm: sticky(String.raw`(tr\s*\d|acme|stub|buttress|pg\s*\d|rd\s*\d|npsm|nps|npsf)\w*`),
  unifiedClass: sticky(String.raw`\s*-?\s*([123][ab])(?![a-z\d])`),
  leftHand: sticky(String.raw`-?\s*(?:lh|left[\s-]?hand)\b`),
  rightHand: sticky(String.raw`-?\s*(?:rh|right[\s-]?hand)\b`),
  through: sticky(String.raw`(?:thru|through|thro)(?:\s+all|\s+hole)?\b`),
  depthAfter: sticky(String.raw`(?:x\s*)?(${MEASURE})\s*(?:deep|dp\b|depth|full\s+thread)`),
  depthBefore: sticky(String.raw`(?:↧|deep|depth|dp\b|to)\s*(${MEASURE})(?:\s*(?:deep|depth))?`),
  bareDepth: sticky(String.raw`[x/]\s*(${MEASURE})(?![\d°])`),
  counterbore: sticky(String.raw`(?:⌴|c'?\s?bore|counter\s?bore|spot\s?face|s\/?f(?:ace)?\b|sf\b)\s*ø?\s*(${MEASURE})`),
  countersink: sticky(
    String.raw`(?:⌵|c'?\s?sink|csk|counter\s?sink)\s*ø?\s*(${MEASURE})(?:\s*x\s*(\d{2,3})\s*(?:°|deg)?)?`,
  ),
  diameter: sticky(
    String.raw`(?:ø|dia\.?)\s*(${MEASURE})|(${MEASURE})\s*(?:dia\b\.?|(?=ream|drill|[a-h]\s?\d{1,2}(?![a-z\d.])))`,
  ),
  ream: sticky(String.raw`ream(?:ed)?\b|([a-h]\s?\d{1,2})(?![a-z\d.])`),
  noise: sticky(
    String.raw`(?:tap(?:ped)?|threads?|typ(?:ical)?|drill(?:ed)?|min(?:imum)?|full|hole|equally\s+spaced|eq\.?\s*sp\.?|int(?:ernal)?|on)\b|[-x](?!\s*[\d.])|[()]`,
  ),
};

/** One character for one, so that places in the normal form are places in what was typed. */
function normalForm(text: string): string {
  return Array.from(text.toLowerCase(), (c) => {
    if ('×✕✖*'.includes(c)) return 'x';
    if ('“”″'.includes(c)) return '"';
    if ('⌀∅Øφ'.includes(c)) return 'ø';
    if ('–—−'.includes(c)) return '-';
    if (c.length > 1) return '?';
    return c;
  }).join('');
}

const decimal = (text: string): number => Number(text.replace(',', '.'));

/** Designations that come closest to a text that could not be read, at most four. */
export function nearestReadings(text: string): string[] {
  const plain = (s: string): string => s.toLowerCase().replace(/[\s-]/g, '');
  const typed = plain(text).slice(0, 24);
  const size = /^[#\d./]+/.exec(typed)?.[0];
  const ranked = THREADS.map((t) => {
    const name = plain(t.designation);
    const sameSize = size !== undefined && name.replace(/^(m|g)/, '').startsWith(size) ? -1.5 : 0;
    const short = Math.min(distance(typed, name), distance(typed, name.slice(0, typed.length)) + 0.5);
    return { name: t.designation, score: short + sameSize + THREADS.indexOf(t) / 1e4 };
  })
    .sort((a, b) => a.score - b.score)
    .slice(0, 4);
  return ranked[0].score > 0.6 * typed.length ? [...USUAL_READINGS] : ranked.map(({ name }) => name);
}

const USUAL_READINGS = ['M8x1.25', '1/4-20 UNC', '#10-32 UNF', '2 BA'] as const;

/** Drawing practice: lengths beside a thread are in the thread's own system. */
function unitBeside(callout: Callout): LengthUnit | undefined {
  const feature = callout.features.find((f) => f.kind === 'thread');
  return feature && (feature.thread.system === 'metric' ? 'mm' : 'in');
}

function stop(
  code: string,
  at: { start: number; end: number },
  text: string,
  remedy: string,
  values?: Phrase['values'],
  nearest?: string[],
): never {
  return stopReading('callout', code, at, text, remedy, values, nearest);
}

class Reader {
  private place = 0;
  private assumedUnit?: LengthUnit;
  private readonly text: string;
  readonly callout: Callout = { count: 1, features: [], notes: [] };

  constructor(
    private readonly typed: string,
    private readonly bareUnit: LengthUnit,
  ) {
    this.text = normalForm(typed);
  }

  read(): Callout {
    this.take(PATTERN.space);
    const count = this.take(PATTERN.count) ?? this.take(PATTERN.bracketedCount);
    if (count) this.setCount(Number(count[1]));
    while (this.place < this.text.length) {
      if (this.take(PATTERN.space)) continue;
      if (this.thread() || this.extent() || this.shapes() || this.words()) continue;
      this.unreadable();
    }
    if (this.callout.features.length === 0)
      stop(
        'callout-empty',
        { start: 0, end: Math.max(1, this.typed.length) },
        'The callout names no thread or hole.',
        'Write it as on the drawing: M8 x 16 DEEP, 1/4-20 UNC-2B THRU, ø9 THRU.',
        undefined,
        [...USUAL_READINGS],
      );
    if (this.assumedUnit)
      this.note('Lengths without a unit in the callout are taken as {unit}.', {
        unit: this.assumedUnit === 'in' ? 'inches' : 'mm',
      });
    return this.callout;
  }

  private take(pattern: RegExp): RegExpExecArray | undefined {
    pattern.lastIndex = this.place;
    const match = pattern.exec(this.text);
    if (!match || match[0].length === 0) return undefined;
    this.place += match[0].length;
    return match;
  }

  private span(match: RegExpExecArray): { start: number; end: number } {
    return { start: match.index, end: match.index + match[0].length };
  }

  private setCount(count: number): void {
    if (count < 1)
      stop('count', { start: 0, end: this.place }, 'A count of {count} makes no hole.', 'Write 1x or more.', { count });
    this.callout.count = count;
  }

  private note(text: string, values?: Phrase['values']): void {
    this.callout.notes.push(phrase(text, values));
  }

  private addThread(thread: Thread, match: RegExpExecArray, className?: string): true {
    if (className !== undefined || !isTapered(thread)) {
      const limits = classLimits(thread, className);
      if (!limits.ok) {
        const [p] = limits.problems;
        throw new StopReading({ ...p, at: { start: match.index, end: this.place } });
      }
    }
    if (thread.series === 'metric-special' || thread.series === 'UNS')
      this.note('{thread} is not a standard pairing of size and pitch: check the drawing and that a tap exists.', {
        thread: thread.designation,
      });
    this.callout.features.push({ kind: 'thread', thread, className, leftHand: false });
    return true;
  }

  private thread(): boolean {
    return this.metric() || this.ba() || this.inch() || this.inchSeriesFirst() || this.otherForm();
  }

  private metric(): boolean {
    const match = this.take(PATTERN.metric);
    if (!match) return false;
    const major = decimal(match[1]);
    const sizes = threadsOfDiameter(major).filter(isMetric);
    const before = this.place;
    const isDepth = this.peek(PATTERN.depthAfter);
    const pitchMatch = isDepth ? undefined : this.take(PATTERN.metricPitch);
    if (!pitchMatch) {
      const coarse = sizes.find((t) => t.series === 'metric-coarse') ?? sizes[0];
      if (!coarse) this.noMetricSize(match, major);
      if (coarse.series !== 'metric-coarse')
        this.note('M{major} has no coarse pitch; {thread} is taken.', { major, thread: coarse.designation });
      return this.addThread(coarse, match, this.metricClass(match));
    }
    const pitch = decimal(pitchMatch[1]);
    const exact = sizes.find((t) => Math.abs(t.pitchMm - pitch) < 1e-9);
    if (exact) return this.addThread(exact, match, this.metricClass(match));
    const coarse = sizes.find((t) => t.series === 'metric-coarse');
    if (coarse && pitch > coarse.pitchMm * 1.5 && pitch >= major / 2) {
      this.place = before;
      return this.addThread(coarse, match, this.metricClass(match));
    }
    const isoPitch = ISO_MINOR_TOLERANCE_UM.some(([p]) => Math.abs(p - pitch) < 1e-9);
    if (major < 1 || major > 90 || !isoPitch || pitch > major / 3)
      stop(
        'pitch',
        this.span(pitchMatch),
        '{pitch} is not a pitch of an M{major} thread.',
        'Use a pitch of this size, or write DEEP after a depth.',
        { pitch: { value: pitch, unit: 'mm' }, major },
        sizes.length > 0 ? sizes.map((t) => t.designation) : nearestReadings(`m${major}x${pitch}`),
      );
    return this.addThread(metricThread('metric-special', major, pitch), match, this.metricClass(match));
  }

  private noMetricSize(match: RegExpExecArray, major: number): never {
    const metric = THREADS.filter((t) => t.series === 'metric-coarse');
    const nearest = [...metric].sort((a, b) => Math.abs(a.majorMm - major) - Math.abs(b.majorMm - major)).slice(0, 3);
    stop(
      'size',
      this.span(match),
      'There is no M{major} in the standard series.',
      'Write its pitch too, or take a standard size.',
      { major },
      nearest.map((t) => t.designation),
    );
  }

  private metricClass(thread: RegExpExecArray): string | undefined {
    const match = this.take(PATTERN.metricClass);
    if (!match) return undefined;
    const typed = this.typed.slice(match.index, this.place).replace(/^[\s–-]+/, '');
    if (/^\d[gh]/.test(typed) && /^m/.test(this.typed.slice(thread.index)) && /h/.test(typed))
      return typed.toUpperCase();
    if (/^[4-7][GH](?:[4-7][GH])?$/.test(typed)) return typed;
    return stop(
      'class-external',
      this.span(match),
      '{typed} is not a class of a tapped hole: small letters belong to bolts.',
      'Use 6H, or 4H to 7H, for the hole.',
      { typed },
      ['6H', '5H', '7H'],
    );
  }

  private ba(): boolean {
    const match = this.take(PATTERN.ba);
    if (!match) return false;
    const thread = threadBySize('BA', match[1] ?? match[2]);
    if (!thread)
      stop('size', this.span(match), 'There is no such BA size here.', 'BA sizes 0 to 16 are known.', {}, [
        '0 BA',
        '2 BA',
        '16 BA',
      ]);
    return this.addThread(thread, match);
  }

  private inch(): boolean {
    const match = this.take(PATTERN.inchThread) ?? this.take(PATTERN.inchBySize);
    if (!match) return false;
    const [, rawSize] = match;
    const bySize = match[2] !== undefined && /^[a-z]/.test(match[2]);
    const seriesText = bySize ? match[2] : match[3];
    const tpi = bySize ? match[3] : match[2];
    return this.inchOf(match, rawSize, seriesText, tpi === undefined ? undefined : Number(tpi));
  }

  private inchSeriesFirst(): boolean {
    const match = this.take(PATTERN.seriesFirst);
    if (!match) return false;
    if (match[4] === 'a' || match[4] === 'b')
      this.note('Classes A and B of G threads belong to the external thread; the hole has one class.');
    return this.inchOf(match, match[2], match[1], match[3] === undefined ? undefined : Number(match[3]));
  }

  private inchOf(match: RegExpExecArray, rawSize: string, seriesText: string | undefined, tpi?: number): boolean {
    const size = rawSize.replace(/#\s*/, '#').replace(/\s/, '-');
    const series = this.seriesOf(seriesText, match);
    const inch = this.inchOfSize(size, tpi, series);
    const name = series === 'NPT' || series === 'G' ? size : inchSizeName(inch);
    const className = series === 'NPT' || series === 'G' ? undefined : this.unifiedClass();
    const fail = (text: string, nearest: string[]): never =>
      stop(
        'inch-thread',
        this.span(match),
        text,
        'Take one of the readings offered, or correct the number.',
        {
          size: name,
          tpi: tpi ?? '',
          series: series ?? '',
        },
        nearest,
      );
    const sameSize = (): string[] => {
      const found = threadsOfDiameter(inchToMm(inch)).filter((t) => t.system === 'inch');
      return found.length > 0 ? found.map((t) => t.designation) : nearestReadings(match[0]);
    };
    if (series === undefined || series === 'UNS') {
      if (tpi === undefined) fail('{size} alone does not say which thread.', sameSize());
      const standard = unifiedBy(inch, tpi as number);
      if (standard) {
        if (series === 'UNS')
          this.note('{thread} is the standard thread of this size and pitch.', { thread: standard.designation });
        return this.addThread(standard, match, className);
      }
      if (series === undefined) fail('{size}-{tpi} is not a thread of the unified series.', sameSize());
      if (inch > 4 || inch < 0.05 || (tpi as number) < 4 || (tpi as number) > 80 || 1 / (tpi as number) > inch / 3)
        fail('{size}-{tpi} cannot be a thread.', sameSize());
      return this.addThread(inchThread('UNS', name, tpi as number), match, className);
    }
    const thread = threadBySize(series, series === 'G' || series === 'NPT' ? size : name);
    if (!thread) return fail('There is no {size} in the {series} series.', sameSize());
    if (tpi !== undefined && Math.abs(inchToMm(1 / tpi) - thread.pitchMm) > 1e-9)
      fail(`{size} {series} has ${trimmed(1 / mmToInch(thread.pitchMm), 1)} threads per inch, not {tpi}.`, [
        thread.designation,
        ...sameSize().filter((d) => d !== thread.designation),
      ]);
    return this.addThread(thread, match, className);
  }

  private inchOfSize(size: string, tpi: number | undefined, series: ThreadSeries | undefined): number {
    if (!/^\d{1,2}$/.test(size)) return inchSize(size.startsWith('.') ? `0${size}` : size);
    const asNumber = inchSize(`#${size}`);
    const fits = (inch: number): boolean => {
      if (series === undefined || series === 'UNS') return tpi !== undefined && unifiedBy(inch, tpi) !== undefined;
      const thread = threadBySize(series, inchSizeName(inch));
      return thread !== undefined && (tpi === undefined || Math.abs(inchToMm(1 / tpi) - thread.pitchMm) < 1e-9);
    };
    return Number(size) <= 12 && (fits(asNumber) || !fits(Number(size))) && series !== 'NPT' && series !== 'G'
      ? asNumber
      : Number(size);
  }

  private seriesOf(text: string | undefined, match: RegExpExecArray): ThreadSeries | undefined {
    if (text === undefined || text === 'un') return undefined;
    if (text.startsWith('whit')) return 'BSW';
    if (text === 'bspp' || text === 'g') return 'G';
    if (text === 'bsp') {
      this.note('BSP is read as the parallel pipe thread G.');
      return 'G';
    }
    if (text === 'nptf' || text === 'bspt' || text === 'rc' || text === 'rp')
      return stop(
        'form-unknown',
        this.span(match),
        '{series} is not held here.',
        'NPT (tapered) and G (parallel) are; the drawing decides which seals.',
        { series: text.toUpperCase() },
        ['1/8 NPT', 'G 1/8'],
      );
    return text.toUpperCase() as ThreadSeries;
  }

  private unifiedClass(): string | undefined {
    const match = this.take(PATTERN.unifiedClass);
    if (!match) return undefined;
    const name = match[1].toUpperCase();
    if (name.endsWith('A'))
      stop(
        'class-external',
        this.span(match),
        '{name} is the class of a bolt.',
        'The tapped hole is 2B, or 1B or 3B.',
        { name },
        ['2B', '3B'],
      );
    return name;
  }

  private otherForm(): boolean {
    const match = this.take(PATTERN.otherForm);
    if (!match) return false;
    return stop(
      'form-unknown',
      this.span(match),
      'This thread form is not held here.',
      'Metric, UNC, UNF, UNEF, BA, BSW, BSF, G and NPT are.',
      {},
      nearestReadings(match[0]),
    );
  }

  private peek(pattern: RegExp): boolean {
    const place = this.place;
    this.take(PATTERN.space);
    const found = this.take(pattern) !== undefined;
    this.place = place;
    return found;
  }

  private last(): CalloutFeature | undefined {
    return this.callout.features[this.callout.features.length - 1];
  }

  private lengthUnit(): LengthUnit {
    return unitBeside(this.callout) ?? this.bareUnit;
  }

  private measure(text: string, match: RegExpExecArray): number {
    const parsed = parseLength(text, this.lengthUnit());
    if (!parsed.ok || parsed.value.mm <= 0 || parsed.value.mm > 5000)
      return stop('length', this.span(match), '“{text}” is not a usable length.', 'Write a number above zero.', {
        text,
      });
    if (parsed.value.assumed) this.assumedUnit = parsed.value.unit;
    return parsed.value.mm;
  }

  private setExtent(extent: Extent, match: RegExpExecArray): true {
    const feature = this.last();
    if (!feature)
      return stop(
        'extent-first',
        this.span(match),
        'A depth stands before what it belongs to.',
        'Name the thread first.',
      );
    feature.extent ??= extent;
    return true;
  }

  private extent(): boolean {
    const through = this.take(PATTERN.through);
    if (through) return this.setExtent({ kind: 'through' }, through);
    const depth = this.take(PATTERN.depthAfter) ?? this.take(PATTERN.depthBefore);
    if (depth) return this.setExtent({ kind: 'depth', mm: this.measure(depth[1], depth) }, depth);
    const feature = this.last();
    if (!feature || feature.extent || feature.kind === 'countersink') return false;
    const bare = this.take(PATTERN.bareDepth);
    if (!bare) return false;
    this.note('{text} after the {kind} is read as its depth.', { text: bare[1], kind: feature.kind });
    return this.setExtent({ kind: 'depth', mm: this.measure(bare[1], bare) }, bare);
  }

  private shapes(): boolean {
    const { features } = this.callout;
    const bore = this.take(PATTERN.counterbore);
    if (bore) return features.push({ kind: 'counterbore', diameterMm: this.measure(bore[1], bore) }) > 0;
    const sink = this.take(PATTERN.countersink);
    if (sink) {
      if (sink[2] === undefined) this.note('The countersink is taken as 90 degrees.');
      const angleDeg = Number(sink[2] ?? 90);
      return features.push({ kind: 'countersink', diameterMm: this.measure(sink[1], sink), angleDeg }) > 0;
    }
    const hole = this.take(PATTERN.diameter);
    if (hole)
      return features.push({ kind: 'hole', diameterMm: this.measure(hole[1] ?? hole[2], hole), ream: false }) > 0;
    return false;
  }

  private words(): boolean {
    const feature = this.last();
    if (feature?.kind === 'hole') {
      const ream = this.take(PATTERN.ream);
      if (ream) {
        feature.ream = true;
        if (ream[1]) feature.fit = ream[1].replace(/\s/, '').toUpperCase();
        return true;
      }
    }
    if (feature?.kind === 'thread' && this.take(PATTERN.leftHand)) {
      feature.leftHand = true;
      this.note('Left-hand thread: it needs a left-hand tap, turned the other way.');
      return true;
    }
    const count = this.callout.count === 1 ? this.take(PATTERN.trailingCount) : undefined;
    if (count) {
      this.setCount(Number(count[1]));
      return true;
    }
    return this.take(PATTERN.rightHand) !== undefined || this.take(PATTERN.noise) !== undefined;
  }

  private unreadable(): never {
    const rest = this.text.slice(this.place);
    const word = /^\S+/.exec(rest)?.[0] ?? rest;
    const at = { start: this.place, end: this.place + word.length };
    const typed = this.typed.slice(at.start, at.end);
    const first = this.callout.features.length === 0;
    const size = new RegExp(`^(?:${SIZE})$`).exec(word)?.[0];
    if (first && size !== undefined) {
      const named = size.includes('/') || size.includes('.') ? size : `#${size.replace('#', '')}`;
      const inch = inchSize(named.startsWith('.') ? `0${named}` : named);
      const found = threadsOfDiameter(inchToMm(inch)).filter((t) => t.system === 'inch');
      const alsoMetric = threadsOfDiameter(Number(size)).filter(isMetric);
      stop(
        'size-alone',
        at,
        '“{typed}” alone does not say which thread.',
        'Add M, the threads per inch or the series.',
        { typed },
        [...found, ...alsoMetric].map((t) => t.designation).slice(0, 6),
      );
    }
    stop(
      'callout-unreadable',
      at,
      '“{typed}” could not be read.',
      first ? 'Start with the thread: M8, 1/4-20 UNC, #10-32, 2 BA, G 1/4, 1/8 NPT.' : 'Correct it or leave it out.',
      { typed },
      first ? nearestReadings(this.typed) : undefined,
    );
  }
}

/**
 * Reads a callout as drawings write it, in any sane spacing and case.
 *
 * A bare metric size means the coarse pitch. Depths without a unit follow the thread's own system
 * (mm beside metric and BA, inches beside inch threads); without a thread they take `bareUnit`.
 * @returns the features in order, or one problem with the place marked and the nearest readings
 */
export function readCallout(text: string, bareUnit: LengthUnit = 'mm'): Result<Callout> {
  if (text.length > MAX_LENGTH)
    return {
      ok: false,
      problems: [
        {
          code: 'callout-long',
          field: 'callout',
          ...phrase('A callout has at most {most} characters.', { most: MAX_LENGTH }),
          remedy: phrase('Write one callout only.'),
          at: { start: MAX_LENGTH, end: text.length },
        },
      ],
    };
  try {
    const callout = new Reader(text, bareUnit).read();
    const unit = unitBeside(callout);
    // A hole written before its thread was read in the shop's unit: read it again in the thread's.
    const again = unit !== undefined && unit !== bareUnit && callout.features[0].kind !== 'thread';
    return { ok: true, value: again ? new Reader(text, unit).read() : callout };
  } catch (error) {
    if (error instanceof StopReading) return { ok: false, problems: [error.problem] };
    throw error;
  }
}

/** The callout of a thread as the core writes it back, for lists and cards. */
export function writeThread(feature: Extract<CalloutFeature, { kind: 'thread' }>): string {
  const { thread, className, leftHand } = feature;
  return `${thread.designation}${className ? `-${className}` : ''}${leftHand ? ' LH' : ''}`;
}
