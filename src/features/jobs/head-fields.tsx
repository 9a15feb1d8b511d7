import { useState } from 'react';
import { headFields, type JobPapers } from '@/contracts/job';
import { useDraft } from '@/ui/use-draft';
import type { JobInHand } from '../job-store/use-job';

interface HeadFieldProps {
  inHand: JobInHand;
  field: 'name' | 'quantity' | 'notes';
  label: string;
  className?: string;
}

/** A field of the job: what can be saved is, as it is typed; what cannot stays with the reason. */
export function HeadField({ inHand, field, label, className = '' }: HeadFieldProps) {
  const { job, edit } = inHand;
  // A draft begins with a mark, as an emptied field is one too.
  const [draft, setDraft] = useDraft(`${job.id} ${field}`);
  const text = draft === '' ? String(job[field]) : draft.slice(1);
  const value = field === 'quantity' ? (text.trim() === '' ? NaN : Number(text)) : text;
  const read = headFields[field].safeParse(value);
  const type = (next: string): void => {
    setDraft(`=${next}`);
    const typed = headFields[field].safeParse(field === 'quantity' && next.trim() !== '' ? Number(next) : next);
    if (typed.success) edit((d) => void Object.assign(d.head, { [field]: typed.data }), true);
  };
  const props = {
    className: `field ${className} ${field === 'notes' ? 'h-20 py-2' : ''} ${read.success ? '' : 'border-danger'}`,
    value: text,
    'aria-invalid': !read.success,
    onBlur: () => read.success && setDraft(''),
  };
  return (
    <label className={`flex flex-col gap-1 ${field === 'quantity' ? '' : 'sm:col-span-2'}`}>
      <span className="label">{label}</span>
      {field === 'notes' ? (
        <textarea {...props} onChange={(e) => type(e.target.value)} />
      ) : (
        <input
          {...props}
          inputMode={field === 'quantity' ? 'numeric' : undefined}
          onChange={(e) => type(e.target.value)}
        />
      )}
      {!read.success && (
        <span role="alert" className="text-sm font-bold text-danger">
          {read.error.issues[0].message}
        </span>
      )}
    </label>
  );
}

const ORDER: [keyof JobPapers, string] = ['order', 'Order'];
const PAPERS: [keyof JobPapers, string][] = [
  ['drawing', 'Drawing'],
  ['revision', 'Revision'],
  ['partNumber', 'Part number'],
  ['serial', 'First serial'],
  ['bar', 'Bar or heat'],
];

/** What a customer looks for on the papers: the order to begin with, and drawing, revision, part and serial where they are needed. */
export function PaperFields({ inHand }: { inHand: JobInHand }) {
  const { papers = {} } = inHand.job;
  const [opened, setOpened] = useState(() => PAPERS.some(([key]) => papers[key]));
  const set = (key: keyof JobPapers, text: string): void =>
    inHand.edit((d) => {
      const { [key]: _, ...rest } = d.head.papers ?? {};
      d.head.papers = text === '' ? rest : { ...rest, [key]: text };
    }, true);
  return (
    <div className="grid grid-cols-2 items-end gap-3 sm:col-span-2 sm:grid-cols-6">
      {[ORDER, ...(opened ? PAPERS : [])].map(([key, label]) => (
        <label key={key} className={`flex flex-col gap-1 ${key === 'order' && !opened ? 'sm:col-span-2' : ''}`}>
          <span className="label">{label}</span>
          <input
            className="field"
            maxLength={60}
            value={papers[key] ?? ''}
            onChange={(e) => set(key, e.target.value)}
          />
        </label>
      ))}
      {!opened && (
        <button type="button" className="btn sm:col-span-3 sm:justify-self-start" onClick={() => setOpened(true)}>
          Drawing, revision, part, serial, bar
        </button>
      )}
    </div>
  );
}
