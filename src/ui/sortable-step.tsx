'use client';

import { useSortable } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { ReactNode } from 'react';

interface StepProps {
  id: string;
  number: number;
  chosen: boolean;
  children: ReactNode;
}

/** A step that can be moved by its handle, by pointer or keys. */
export function SortableStep({ id, number, chosen, children }: StepProps) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } = useSortable({
    id,
  });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`relative grid grid-cols-[minmax(0,1fr)_36px] border-t border-steel-200 first:border-0 [&>*]:col-start-1 ${
        chosen ? 'bg-white' : ''
      } ${isDragging ? 'z-10 bg-white shadow-lg' : ''}`}
    >
      {children}
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={`Move step ${number}`}
        className="col-start-2! row-start-1 h-11 w-9 cursor-grab touch-none rounded-sm text-steel-700 hover:bg-steel-200"
      >
        ⠿
      </button>
    </li>
  );
}
