'use client';

import { DropdownMenu } from 'radix-ui';
import { memo, useEffect, useState } from 'react';
import { UnitSwitch } from '@/ui/units';
import { SHELL_SAID, type Shell } from '../run/offline-shell';
import { wayHref } from '../job-store/way-links';
import type { BenchSettings } from './use-bench-settings';

export type MenuAction = 'skip' | 'note';

interface Props {
  jobId: string;
  settings: BenchSettings;
  change: (part: Partial<BenchSettings>) => void;
  onPick: (action: MenuAction) => void;
  canUndo: boolean;
  onUndo: () => void;
  /** Whether this bench opens without a network. */
  kept: Shell;
  /** Why what was recorded waits for the server. */
  waitsFor?: string;
}

/** Where one goes from the bench. */
const LEADS = [
  ['part', 'Part'],
  ['plate', 'Lay out'],
  ['holes', 'Holes'],
  ['route', 'Route'],
  ['check', 'Check'],
  ['papers', 'Papers'],
] as const;

const ITEM =
  'flex min-h-16 w-full cursor-pointer items-center rounded-sm px-4 text-left font-cond text-[22px] font-semibold text-ink outline-none data-[highlighted]:bg-steel-200 data-[disabled]:opacity-50';

/** What is not needed at every step: skip, note, undo, how this bench is set, and the way out. */
export const BenchMenu = memo(function BenchMenu({
  jobId,
  settings,
  change,
  onPick,
  canUndo,
  onUndo,
  kept,
  waitsFor,
}: Props) {
  const [learning, setLearning] = useState(false);
  useEffect(() => {
    if (!learning) return;
    const learn = (event: KeyboardEvent): void => {
      event.preventDefault();
      event.stopPropagation();
      change({ pedal: event.code || event.key });
      setLearning(false);
    };
    window.addEventListener('keydown', learn, { capture: true, once: true });
    return () => window.removeEventListener('keydown', learn, { capture: true });
  }, [learning, change]);
  return (
    <div className="flex items-center gap-2">
      {learning && (
        <span role="status" className="text-[20px]">
          Press the foot switch now
        </span>
      )}
      <UnitSwitch on="bench" />
      <DropdownMenu.Root>
        <DropdownMenu.Trigger className="bench-key min-w-16" aria-label="More">
          ⋯
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            onCloseAutoFocus={(event) => {
              event.preventDefault();
              document.querySelector<HTMLElement>('.bench-next')?.focus();
            }}
            align="end"
            sideOffset={6}
            className="z-40 min-w-72 rounded-md border border-steel-500 bg-steel-50 p-1 shadow-xl"
          >
            <DropdownMenu.Item className={ITEM} onSelect={() => onPick('skip')}>
              Skip this step
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => onPick('note')}>
              Note
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} disabled={!canUndo} onSelect={onUndo}>
              Undo: not done
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-steel-300" />
            <DropdownMenu.Item
              className={ITEM}
              onSelect={() => change({ theme: settings.theme === 'dark' ? 'light' : 'dark' })}
            >
              {settings.theme === 'dark' ? 'Light' : 'Dark'}
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => change({ signals: !settings.signals })}>
              Sound and flash {settings.signals ? 'off' : 'on'}
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={() => setLearning(true)}>
              {settings.pedal === '' ? 'Learn a foot switch' : `Foot switch: ${settings.pedal}`}
            </DropdownMenu.Item>
            <DropdownMenu.Separator className="my-1 h-px bg-steel-300" />
            <DropdownMenu.Label className="px-4 py-1 text-[16px] text-steel-700">
              {SHELL_SAID[kept]}
              {waitsFor && <span className="block max-w-96">{waitsFor}</span>}
            </DropdownMenu.Label>
            <DropdownMenu.Group aria-label="Way through the job" className="grid grid-cols-2">
              {LEADS.map(([view, name]) => (
                <DropdownMenu.Item key={view} className={ITEM} asChild>
                  <a href={wayHref(jobId, view)}>{name}</a>
                </DropdownMenu.Item>
              ))}
            </DropdownMenu.Group>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
    </div>
  );
});
