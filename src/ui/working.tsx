'use client';

import { later } from './later';
import { useState, type ReactNode } from 'react';
import type { Answer } from '@/core/answer/answer';
import { showText, type Display } from '@/core/units/show';

export const WorkingDialog = later(() => import('./working-dialog'));

interface Props {
  of: Answer;
  /** What the figure is, read out before it. */
  name: string;
  display: Display;
  /** The figure as it stands on the page; in the reader's units where left out. */
  children?: ReactNode;
  className?: string;
}

/** A figure that shows how it was reached when it is touched. */
export function Working({ of, name, display, children, className }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" onClick={() => setOpen(true)} className={`touch-figure ${className ?? ''}`}>
        {children ?? showText(of, display)}
        <span className="sr-only">. Show the working: {name}</span>
      </button>
      {open && <WorkingDialog of={of} display={display} onClose={() => setOpen(false)} />}
    </>
  );
}
