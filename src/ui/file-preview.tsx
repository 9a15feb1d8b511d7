import type { ReactNode } from 'react';
import type { Phrase, Problem } from '@/core/answer/answer';
import { tell, type Display } from '@/core/units/show';

interface Props {
  name: string;
  problems: readonly Problem[];
  understood?: readonly Phrase[];
  leftOut?: readonly Phrase[];
  display: Display;
  /** More of what was found. */
  children?: ReactNode;
  /** Undefined where nothing can be taken. */
  onTake?: () => void;
  onLeave: () => void;
}

/** What was understood of a file before anything changes, or why nothing of it can be taken. */
export function FilePreview({ name, problems, understood, leftOut, display, children, onTake, onLeave }: Props) {
  return (
    <div role="status" className="flex flex-col gap-1 rounded-sm border border-steel-300 bg-white p-2 text-[15px]">
      <strong>{name}</strong>
      {problems.map((p) => (
        <p key={p.code + p.field + tell(p, display)} className="font-bold text-danger">
          {tell(p, display)} <span className="font-normal text-ink">{tell(p.remedy, display)}</span>
        </p>
      ))}
      {problems.length > 0 && <p>Nothing was changed.</p>}
      {children}
      {understood?.map((p) => (
        <p key={p.text}>{tell(p, display)}</p>
      ))}
      {leftOut && leftOut.length > 0 && (
        <p className="text-danger">Skipped: {leftOut.map((p) => tell(p, display)).join(' ')}</p>
      )}
      {onTake && (
        <span className="flex gap-2">
          <button type="button" className="btn-next" onClick={onTake}>
            Import
          </button>
          <button type="button" className="btn" onClick={onLeave}>
            Cancel
          </button>
        </span>
      )}
    </div>
  );
}

/** Hands a text to the person as a file. */
export function download(name: string, type: string, content: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
