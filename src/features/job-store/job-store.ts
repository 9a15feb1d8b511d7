import { applyPatches, enablePatches, produceWithPatches, type Draft, type Patch } from 'immer';
import { v7 as uuidv7 } from 'uuid';
import { fieldsOf, type PatchReceipt } from '@/contracts/job-change';
import type { Job, JobFeature } from '@/contracts/job';
import type { FieldError } from '@/contracts/problem';
import { send, type Sent } from '@/ui/send';
import {
  changeOf,
  documentOf,
  featuresOf,
  isEmpty,
  madeAfter,
  madeFrom,
  newsOf,
  onlyField,
  putFeatures,
  withChange,
  withoutField,
  withReceipt,
  wordOf,
  type JobDocument,
  type LocalChange,
} from './job-document';
import { faultsOf } from './change-faults';
import { dropWaiting, putWaiting, waitingChanges } from './outbox';
import { otherTabs, tabId, tellSaved } from './tabs';

enablePatches();

/** The same field changed here and elsewhere. */
export interface Conflict {
  /** `head`, or the id of a feature. */
  target: string;
  /** Undefined where the whole feature is meant: it was removed on one side. */
  field?: string;
  /** As people call it: "B callout". */
  name: string;
  mine: unknown;
  theirs: unknown;
}

export interface Saving {
  state: 'saved' | 'saving' | 'waiting' | 'conflict' | 'refused';
  /** Changes that the server does not have yet. */
  waiting: number;
  /** Why it was refused, or why it waits. */
  why?: string;
  /** It waits for somebody to sign in again. */
  signIn?: boolean;
}

export interface JobState {
  job: Job;
  saving: Saving;
  conflicts: Conflict[];
  /** What others changed since it was last looked at. */
  news: string[];
  canUndo: boolean;
  canRedo: boolean;
  /** The job was removed elsewhere. */
  gone: boolean;
  /** What the server lacks since an older copy was brought back, in words. */
  lost: string[];
  /** Why the last edit was not made: the field, and what it may be. */
  notMade?: string;
}

interface Step {
  patches: Patch[];
  inverse: Patch[];
  /** The one field that it sets, so that typing is one step. */
  field?: string;
  at: number;
}

const MOST_STEPS = 200;
/** Typing in one field within this time is one step and one change, ms. */
const ONE_STEP_MS = 1500;
const SEND_AFTER_MS = 500;
const RETRY_MS = [1000, 2000, 4000, 8000, 15000];

/** How it stands with the server. */
type Link =
  | {
      is: 'open';
      sending: boolean;
      /** Times in a row that it was not reached, and why. */
      tries: number;
      fault?: string;
      signIn?: boolean;
    }
  /** The first change that waits is refused for good. */
  | { is: 'refused'; why: string }
  /** The first change that waits is of the same fields as one made elsewhere, with the job as the server had it then. */
  | { is: 'disputed'; conflicts: Conflict[]; against: JobDocument; change: string };
const NO_CONFLICTS: Conflict[] = [];
const OPEN: Extract<Link, { is: 'open' }> = { is: 'open', sending: false, tries: 0 };

/** Sends a change; kept apart so that tests put another server in its place. */
export type SendChange = (jobId: string, change: LocalChange, leaving: boolean) => Promise<Sent<PatchReceipt>>;

const sendChange: SendChange = (jobId, change, leaving) =>
  send<PatchReceipt>('PATCH', `/api/v1/jobs/${jobId}`, change, leaving);

/**
 * A job as this tab edits it: what the server has, and on top of that every change that it does not have yet. Changes are
 * kept in the browser the moment they are made, and sent until they are taken or somebody decides.
 */
export class JobStore {
  /** As the server has it, as far as this tab knows. */
  private base: JobDocument;
  private shown: JobDocument;
  private meta: Pick<Job, 'createdAt' | 'updatedAt'>;
  private waiting: LocalChange[] = [];
  private past: Step[] = [];
  private future: Step[] = [];
  private link: Link = OPEN;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Why the last edit was not made. */
  private notMade: string | undefined;
  private news: string[] = [];
  /** Which data of the server this job was read from; undefined until the server said so. */
  private mark: string | undefined;
  /** The job was removed elsewhere. */
  private gone = false;
  /** The job as it was here before an older copy was brought back, and what of it the server lacks. */
  private lost: JobDocument | undefined;
  private lostNews: string[] = [];
  private listeners = new Set<() => void>();
  private state: JobState;

  constructor(
    job: Job,
    private readonly post: SendChange = sendChange,
  ) {
    this.base = documentOf(job);
    this.shown = this.base;
    this.meta = { createdAt: job.createdAt, updatedAt: job.updatedAt };
    this.state = this.snapshot();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  getState = (): JobState => this.state;
  /** Whether nothing is on its way, so that what is loaded now tells of others only. */
  get quiet(): boolean {
    return !this.isSending;
  }
  private get isSending(): boolean {
    return this.link.is === 'open' && this.link.sending;
  }
  get version(): number {
    return this.base.version;
  }

  /** Takes up the changes that were left in the browser: this tab's own, and those of tabs that are gone. */
  async takeUp(): Promise<void> {
    const others = await otherTabs();
    const found = await waitingChanges(this.base.id);
    const known = new Set(this.waiting.map((c) => c.change));
    const left = found.filter((w) => !others.has(w.tab) && !known.has(w.id));
    if (left.length === 0) return;
    for (const row of left) if (row.tab !== tabId()) putWaiting('changes', { ...row, tab: tabId() });
    this.waiting = [...left.map((w) => w.change), ...this.waiting].sort((a, b) => (a.change < b.change ? -1 : 1));
    this.show();
    this.soon(0);
  }

  /**
   * Changes the job; kept at once, sent soon.
   * @param typing one of many as somebody types in a field: together they are one step of undo
   */
  edit = (recipe: (draft: Draft<JobDocument>) => void, typing = false): void => {
    const [next, patches, inverse] = produceWithPatches(this.shown, (draft) => void recipe(draft));
    const change = this.change(next, patches);
    if (!change) return;
    const wrong = faultsOf(change);
    this.notMade = wrong.length > 0 && !typing ? wrong.join(' ') : undefined;
    if (this.notMade !== undefined) {
      this.tell();
      return;
    }
    this.shown = next;
    const field = onlyField(change);
    const last = this.past.at(-1);
    const going = typing && field !== undefined && last?.field === field && Date.now() - last.at < ONE_STEP_MS;
    const step: Step = going
      ? { patches: [...last.patches, ...patches], inverse: [...inverse, ...last.inverse], field, at: Date.now() }
      : { patches, inverse, field: typing ? field : undefined, at: Date.now() };
    this.past = [...(going ? this.past.slice(0, -1) : this.past.slice(-MOST_STEPS)), step];
    this.future = [];
    this.keep(change, going);
  };

  undo = (): void => {
    this.notMade = undefined;
    const step = this.past.at(-1);
    if (!step) return;
    this.past = this.past.slice(0, -1);
    if (this.replay(step.inverse)) this.future = [step, ...this.future];
    this.tell();
  };

  redo = (): void => {
    this.notMade = undefined;
    const [step, ...rest] = this.future;
    if (!step) return;
    this.future = rest;
    if (this.replay(step.patches)) this.past = [...this.past, { ...step, field: undefined }];
    this.tell();
  };

  /** The job as the server has it now, when that is newer. */
  receive(job: Job): void {
    if (job.version <= this.base.version || this.isSending) return;
    const before = this.shown;
    this.base = documentOf(job);
    this.meta = { createdAt: job.createdAt, updatedAt: job.updatedAt };
    this.show();
    // What differs on the screen: not one's own, and not what is offered to decide on.
    this.news = [...new Set([...this.news, ...newsOf(before, this.shown)])];
    this.tell();
  }

  dismissNews = (): void => {
    this.news = [];
    this.tell();
  };

  /** Where both changed the same: mine is sent again, on top of theirs. */
  keepMine = (conflict: Conflict): void => {
    const { target, field } = conflict;
    if (field === undefined && !this.base.features[target]) {
      const mine = this.shown.features[target] ?? (conflict.mine as JobFeature);
      this.replaceAll((change, i) => {
        const bare = withoutField(change, target, undefined);
        return i === 0 ? { ...bare, add: [...bare.add, mine] } : bare;
      });
    }
    this.settled(conflict);
  };

  /** Where both changed the same: theirs stays, mine goes. */
  takeTheirs = (conflict: Conflict): void => {
    this.replaceAll((change) => withoutField(change, conflict.target, conflict.field));
    this.settled(conflict);
  };

  /** Gives up the change that the server refuses for good. */
  dropRefused = (): void => {
    const [refused, ...rest] = this.waiting;
    if (refused) dropWaiting('changes', [refused.change]);
    this.waiting = rest;
    this.link = OPEN;
    this.show();
    this.soon(0);
  };

  /** Whether the server has other data than what this job was read from: a copy was brought back. */
  isOtherData = (mark: string): boolean => this.mark !== undefined && mark !== '' && mark !== this.mark;

  /**
   * What the server answers when it is asked for the job: what waits for it is sent again. Where a copy was brought back, or the
   * job was removed elsewhere, that is said, with what this tab knows beyond it.
   */
  heard(mark: string, job: Job | undefined, gone = false): void {
    if (gone !== this.gone) {
      this.gone = gone;
      this.tell();
    }
    if (this.isOtherData(mark) && job) this.broughtBack(job);
    if (mark !== '') this.mark = mark;
    this.reached();
  }

  /** The job as an older copy has it takes the place of what the server had; what differs is offered, never sent unasked. */
  private broughtBack(job: Job): void {
    const before = this.shown;
    this.base = documentOf(job);
    this.meta = { createdAt: job.createdAt, updatedAt: job.updatedAt };
    const differs = newsOf(this.base, before);
    this.lost = differs.length > 0 ? before : undefined;
    this.lostNews = differs;
    dropWaiting(
      'changes',
      this.waiting.map((c) => c.change),
    );
    this.waiting = [];
    // What was refused or disputed was of changes that are gone with them.
    this.link = { ...OPEN, sending: this.isSending };
    this.past = [];
    this.future = [];
    this.show();
  }

  /** Sends again what the server lacks since a copy was brought back. */
  sendLost = (): void => {
    const { lost } = this;
    if (!lost) return;
    this.leaveLost();
    this.edit((draft) => {
      draft.head = lost.head as Draft<JobDocument>['head'];
      putFeatures(draft, featuresOf(lost));
    });
  };
  leaveLost = (): void => {
    this.lost = undefined;
    this.lostNews = [];
    this.tell();
  };

  /** Brings back a job that was removed elsewhere, or makes it anew where the server has no trace of it. */
  bringBack = async (): Promise<void> => {
    const { id } = this.base;
    const back = await send<Job>('POST', `/api/v1/jobs/${id}/restore`);
    const { createdAt: _c, updatedAt: _u, version: _v, headVersion: _h, nextLetter: _n, ...whole } = this.state.job;
    const got = back.ok || back.status !== 404 ? back : await send<Job>('POST', '/api/v1/jobs', whole);
    const sending = this.isSending;
    this.link = { ...OPEN, sending, ...(got.ok ? {} : { fault: got.fault }) };
    if (got.ok) {
      this.gone = false;
      if (back.ok) this.receive(got.value);
      else this.broughtBack(got.value);
      this.flush();
    }
    this.tell();
  };

  private reached(): void {
    if (this.link.is === 'open' && this.link.fault !== undefined) this.flush();
  }

  /** Sends now what waits: the server is back, or the page goes. */
  flush = (leaving = false): void => {
    clearTimeout(this.timer);
    if (this.link.is === 'open') this.link = { ...this.link, tries: 0 };
    void this.sendNext(leaving);
  };

  private change(next: JobDocument, patches: readonly Patch[]): LocalChange | undefined {
    return changeOf(this.shown, next, patches, uuidv7());
  }

  private replay(patches: Patch[]): boolean {
    let next: JobDocument;
    try {
      next = applyPatches(this.shown, patches);
    } catch {
      // What it was about is gone meanwhile.
      return false;
    }
    const features = Object.fromEntries(
      Object.entries(next.features).map(([id, f]) => [
        id,
        { ...f, version: this.shown.features[id]?.version ?? f.version },
      ]),
    );
    const back = { ...next, features };
    const change = this.change(back, patches);
    if (!change) return false;
    this.shown = back;
    this.keep(change, false);
    return true;
  }

  /** Keeps a change in the browser; one that goes on typing takes the place of the one before while that is not sent. */
  private keep(change: LocalChange, typing: boolean): void {
    const last = this.waiting.at(-1);
    const field = onlyField(change);
    const inFlight = this.isSending && this.waiting.length === 1;
    if (typing && last && !inFlight && onlyField(last) === field) {
      const version = last.features[0]?.version ?? last.head?.version;
      const merged = {
        ...change,
        change: last.change,
        head: change.head && { ...change.head, version: version ?? change.head.version },
        features: change.features.map((f) => ({ ...f, version: version ?? f.version })),
      };
      // What was refused may be right now that it is typed on.
      if (this.link.is === 'refused' && this.waiting.length === 1) this.link = OPEN;
      this.waiting = [...this.waiting.slice(0, -1), merged];
      this.store(merged);
    } else {
      this.waiting = [...this.waiting, change];
      this.store(change);
    }
    this.tell();
    this.soon(SEND_AFTER_MS);
  }

  private store(change: LocalChange): void {
    putWaiting('changes', { id: change.change, jobId: this.base.id, tab: tabId(), change });
  }

  private replaceAll(work: (change: LocalChange, index: number) => LocalChange): void {
    const next = this.waiting.map(work);
    dropWaiting(
      'changes',
      next.filter(isEmpty).map((c) => c.change),
    );
    this.waiting = next.filter((c) => !isEmpty(c));
    this.waiting.forEach((c) => this.store(c));
  }

  /** One conflict less; after the last one the change goes on, made from the job that it was in conflict with. */
  private settled(conflict: Conflict): void {
    if (this.link.is !== 'disputed') return;
    const { against, change: disputed } = this.link;
    const conflicts = this.link.conflicts.filter((c) => c !== conflict);
    this.link = conflicts.length > 0 ? { ...this.link, conflicts } : OPEN;
    if (conflicts.length === 0) {
      this.replaceAll((change) => (change.change === disputed ? madeFrom(change, against) : change));
      this.soon(0);
    }
    this.show();
  }

  private soon(ms: number): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.sendNext(false), ms);
  }

  private async sendNext(leaving: boolean): Promise<void> {
    const [first] = this.waiting;
    if (!first || this.link.is !== 'open' || this.link.sending) return;
    const wrong = faultsOf(first);
    if (wrong.length > 0) {
      this.link = { is: 'refused', why: wrong.join(' ') };
      this.tell();
      return;
    }
    this.link = { ...this.link, sending: true };
    this.tell();
    const got = await this.post(this.base.id, first, leaving);
    this.link = { ...this.link, sending: false };
    if (got.ok) this.taken(first, got.value);
    else this.notTaken(first, got);
    this.tell();
  }

  private taken(change: LocalChange, receipt: PatchReceipt): void {
    // Loaded meanwhile, the job holds it already.
    if (receipt.version > this.base.version) {
      const { version } = this.base;
      this.base = withReceipt(withChange(this.base, change), receipt);
      // What others changed in between is not known yet: an older version makes the next load bring it.
      if (receipt.before !== version) this.base = { ...this.base, version };
    }
    this.waiting = this.waiting.slice(1);
    this.replaceAll((later) => madeAfter(later, change, receipt));
    dropWaiting('changes', [change.change]);
    this.link = OPEN;
    this.show();
    tellSaved(this.base.id);
    if (this.waiting.length > 0) this.soon(0);
  }

  private notTaken(change: LocalChange, got: Extract<Sent<PatchReceipt>, { ok: false }>): void {
    const { status, fault } = got;
    if (status === 409 && got.partial) this.conflicting(change, got.partial as Job, got.errors ?? [], fault);
    else if (status === 0 || status === 429 || status >= 500 || status === 401 || status === 404) {
      const tries = this.link.is === 'open' ? this.link.tries : 0;
      this.link = { is: 'open', sending: false, tries: tries + 1, fault, ...(status === 401 ? { signIn: true } : {}) };
      this.soon(RETRY_MS[Math.min(tries, RETRY_MS.length - 1)]);
    } else this.link = { is: 'refused', why: fault };
  }

  /** What the server found changed on both sides is shown to decide. One's own earlier write it knows by its id. */
  private conflicting(change: LocalChange, current: Job, errors: readonly FieldError[], fault: string): void {
    const now = documentOf(current);
    const conflicts = errors.flatMap(({ field: path }): Conflict[] => {
      const [, target, field] = /^(head|features\.[^.]+)(?:\.(.+))?$/.exec(path) ?? [];
      if (!target) return [];
      const id = target.replace(/^features\./, '');
      const valueIn = (doc: JobDocument): unknown => {
        const of = id === 'head' ? doc.head : doc.features[id];
        return of && field !== undefined ? fieldsOf(of)[field] : of;
      };
      const theirs = valueIn(now);
      const letter = (this.shown.features[id] ?? now.features[id])?.letter;
      const name =
        id === 'head' ? `the ${wordOf(field ?? '')}` : [letter, field && wordOf(field)].filter(Boolean).join(' ');
      return [{ target: id, ...(field === undefined ? {} : { field }), name, mine: valueIn(this.shown), theirs }];
    });
    this.receive(current);
    // A conflict that this program cannot show is not decided for anybody.
    this.link =
      conflicts.length === 0
        ? { is: 'refused', why: fault }
        : { is: 'disputed', conflicts, against: now, change: change.change };
  }

  private show(): void {
    this.shown = this.waiting.reduce(withChange, this.base);
    this.tell();
  }

  private tell(): void {
    this.state = this.snapshot();
    this.listeners.forEach((listener) => listener());
  }

  private snapshot(): JobState {
    const { head, ...doc } = this.shown;
    const before = this.state as JobState | undefined;
    const same = before && before.job.version === doc.version && this.lastShown === this.shown;
    this.lastShown = this.shown;
    return {
      job: same
        ? before.job
        : {
            id: doc.id,
            version: doc.version,
            headVersion: doc.headVersion,
            nextLetter: doc.nextLetter,
            ...head,
            ...this.meta,
            holes: featuresOf(this.shown),
          },
      saving: this.saving(),
      conflicts: this.link.is === 'disputed' ? this.link.conflicts : NO_CONFLICTS,
      news: this.news,
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
      gone: this.gone,
      lost: this.lostNews,
      notMade: this.notMade,
    };
  }
  private lastShown: JobDocument | undefined;

  private saving(): Saving {
    const { link } = this;
    const waiting = this.waiting.length;
    if (link.is === 'disputed') return { state: 'conflict', waiting };
    if (link.is === 'refused') return { state: 'refused', waiting, why: link.why };
    if (waiting === 0) return { state: 'saved', waiting };
    if (link.fault === undefined) return { state: 'saving', waiting };
    return { state: 'waiting', waiting, why: link.fault, ...(link.signIn ? { signIn: true } : {}) };
  }
}

const stores = new Map<string, JobStore>();

/** Whether this tab has the job in hand, and so sends what waits of it itself. */
export const isInHand = (jobId: string): boolean => stores.has(jobId);

/** The one store of a job in this tab: its views share it, with its undo. On the server every page has its own. */
export function storeOf(job: Job): JobStore {
  if (typeof window === 'undefined') return new JobStore(job);
  const known = stores.get(job.id);
  if (known) return known;
  const store = new JobStore(job);
  stores.set(job.id, store);
  return store;
}
