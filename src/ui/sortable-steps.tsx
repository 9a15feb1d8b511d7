'use client';

import {
  closestCenter,
  DndContext,
  PointerSensor,
  useSensor,
  useSensors,
  type Announcements,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import { PromptKeyboardSensor } from './prompt-keys';

const HOW_TO_MOVE =
  'Press Space to pick the step up, the arrow keys to move it, Space to set it down, Escape to leave it.';

interface Props {
  /** Of the steps, in their order. */
  ids: readonly string[];
  onMove: (from: string, to: string) => void;
  children: ReactNode;
}

/** A list whose steps are moved by handle, by pointer or keys, said aloud; its steps are `SortableStep`. */
export function SortableSteps({ ids, onMove, children }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(PromptKeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const numberOf = (id: UniqueIdentifier): number => ids.indexOf(String(id)) + 1;
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Step ${numberOf(active.id)} picked up.`,
    onDragOver: ({ active, over }) =>
      over ? `Step ${numberOf(active.id)} is at place ${numberOf(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) => `Step ${numberOf(active.id)} set down at place ${numberOf((over ?? active).id)}.`,
    onDragCancel: ({ active }) => `Step ${numberOf(active.id)} left where it was.`,
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={({ active, over }) => {
        if (over && over.id !== active.id) onMove(String(active.id), String(over.id));
      }}
      accessibility={{ screenReaderInstructions: { draggable: HOW_TO_MOVE }, announcements }}
    >
      <SortableContext items={[...ids]} strategy={verticalListSortingStrategy}>
        <ol className="flex flex-col">{children}</ol>
      </SortableContext>
    </DndContext>
  );
}
