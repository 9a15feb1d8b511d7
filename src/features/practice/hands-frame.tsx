import type { ComponentProps, ReactNode } from 'react';
import { PracticeTabs } from './practice-tabs';

interface Props extends ComponentProps<typeof PracticeTabs> {
  title: string;
  /** Why there is nothing in hand; undefined where there is. */
  waits?: string;
  children?: ReactNode;
}

/** A view of hands: what is in them on one side, what they do on the other. */
export function HandsFrame({ title, here, waits, children }: Props) {
  return (
    <main id="main" className="mx-auto flex max-w-[1200px] flex-col gap-3 p-3 sm:px-5">
      <div className="flex flex-wrap items-end gap-3">
        <h1 className="mr-auto font-cond text-3xl font-semibold">{title}</h1>
        <PracticeTabs here={here} />
      </div>
      {waits === undefined ? (
        <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-3 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
          {children}
        </div>
      ) : (
        <p role="status">{waits}</p>
      )}
    </main>
  );
}
