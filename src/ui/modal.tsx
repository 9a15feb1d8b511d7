'use client';

import { Dialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';

interface Props {
  title: string;
  onClose: () => void;
  children: ReactNode;
  description?: string;
}

const FIELD = 'form :is(input, select, textarea):not([type="checkbox"]), form [aria-haspopup]';

/** A dialog over the view; Escape and the close key leave it, focus goes back where it was. */
export default function Modal({ title, description, onClose, children }: Props) {
  const [opener] = useState(() => document.activeElement as HTMLElement | null);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/50" />
        <Dialog.Content
          aria-describedby={description ? undefined : ''}
          onOpenAutoFocus={(event) => {
            // On its first field, where it has one: what it is for can be typed at once.
            const field = (event.currentTarget as HTMLElement).querySelector<HTMLElement>(FIELD);
            if (!field) return;
            event.preventDefault();
            field.focus();
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            opener?.focus();
          }}
          // A form in a dialog is not part of the form that the dialog was opened from.
          onSubmit={(event) => event.stopPropagation()}
          className="fixed top-1/2 left-1/2 z-30 flex max-h-[88dvh] w-[min(560px,94vw)] -translate-x-1/2 -translate-y-1/2 flex-col gap-3 overflow-auto rounded-sm border border-steel-500 bg-steel-50 p-5 shadow-xl"
        >
          <div className="flex items-start justify-between gap-4">
            <Dialog.Title className="font-cond text-2xl font-semibold">{title}</Dialog.Title>
            <Dialog.Close className="btn h-11 px-3">Close</Dialog.Close>
          </div>
          {description && <Dialog.Description className="text-steel-700">{description}</Dialog.Description>}
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
