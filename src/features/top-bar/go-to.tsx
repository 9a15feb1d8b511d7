'use client';

import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { Dialog } from 'radix-ui';
import { useEffect, useEffectEvent, useRef, useState } from 'react';
import type { Found, SearchResult } from '@/contracts/search';
import { send } from '@/ui/send';
import MissingDrill from '@/ui/missing-drill';
import { useMissingDrill } from '@/ui/use-missing-drill';
import { useUnits } from '@/ui/units';

const KIND: Record<Found['kind'], string> = {
  answer: 'Answer',
  missing: 'Crib',
  learned: 'Learned',
  job: 'Job',
  hole: 'Hole',
  material: 'Material',
  tool: 'Tool',
  machine: 'Machine',
  why: 'Why',
};
const WAIT_MS = 120;
const keyOf = ({ kind, id }: Found): string => `${kind} ${id}`;

/** Goes to anything: a job, a hole, a tool, a material; a callout is answered while it is typed. */
export default function GoTo({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { display } = useUnits();
  const [text, setText] = useState('');
  const [found, setFound] = useState<{ for: string; list: Found[] }>({ for: '', list: [] });
  const [picked, setPicked] = useState('');
  /** Enter was pressed before its answer was there: the first line is taken when it comes. */
  const waits = useRef(false);
  const [fault, setFault] = useState<string>();
  const missing = useMissingDrill();
  const take = (to: Found): void => {
    // Marked here and now, with its undo beside it.
    if (to.drill) return missing.mark(to.drill);
    onClose();
    router.push(to.href);
  };
  const go = useEffectEvent(take);
  useEffect(() => {
    let late = false;
    const timer = setTimeout(() => {
      void send<SearchResult>('GET', `/api/v1/search?q=${encodeURIComponent(text)}&units=${display}`).then((got) => {
        if (late) return;
        setFault(got.ok ? undefined : got.fault);
        if (!got.ok) return;
        const list = got.value.found;
        setFound({ for: text, list });
        setPicked(list[0] ? keyOf(list[0]) : '');
        if (waits.current && list[0]) go(list[0]);
        waits.current = false;
      });
    }, WAIT_MS);
    return () => {
      late = true;
      clearTimeout(timer);
    };
  }, [text, display]);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/50" />
        <Dialog.Content
          aria-describedby=""
          className="fixed top-[8dvh] left-1/2 z-30 w-[min(640px,94vw)] -translate-x-1/2 rounded-sm border border-steel-500 bg-steel-50 shadow-xl"
        >
          <Dialog.Title className="sr-only">Go to anything</Dialog.Title>
          <Command label="Go to anything" shouldFilter={false} loop value={picked} onValueChange={setPicked}>
            <Command.Input
              value={text}
              onValueChange={(next) => {
                waits.current = false;
                setText(next);
              }}
              onKeyDown={(e) => {
                if (e.key !== 'Enter' || found.for === text) return;
                e.preventDefault();
                waits.current = true;
              }}
              autoFocus
              placeholder="M8 brass, a job, a hole, a tool, a metal"
              className="h-14 w-full border-b border-steel-300 bg-white px-4 text-xl placeholder:text-steel-500"
            />
            {(missing.said ?? missing.fault) && <MissingDrill missing={missing} />}
            <Command.List className="max-h-[60dvh] overflow-auto p-1">
              {fault && (
                <p role="alert" className="p-3 font-bold text-danger">
                  {fault}
                </p>
              )}
              <Command.Empty className="p-3">Nothing by that name.</Command.Empty>
              {found.list.map((f) => (
                <Command.Item
                  key={keyOf(f)}
                  value={keyOf(f)}
                  onSelect={() => take(f)}
                  className="grid min-h-12 cursor-pointer grid-cols-[70px_1fr] items-center gap-x-3 rounded-sm px-3 py-1 data-[selected=true]:bg-ink data-[selected=true]:text-white"
                >
                  <span className="font-cond text-sm opacity-80">{KIND[f.kind]}</span>
                  <span>
                    <strong>{f.name}</strong>
                    {f.detail && (
                      <span className={f.kind === 'answer' ? 'block text-lg' : 'ml-3 text-[15px] opacity-80'}>
                        {f.detail}
                      </span>
                    )}
                  </span>
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
