'use client';

import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useEffect, useRef, useState, type RefObject } from 'react';

/** One of a list to pick from. */
export interface PickOption {
  id: string;
  label: string;
  /** Beside the label: the designation that was hit, a place. */
  detail?: string;
}

/** Options that a text may mean, the likeliest first. */
export type Find = (text: string) => readonly PickOption[];

interface Props {
  label: string;
  value: string;
  options: readonly PickOption[];
  /** Loads how they are found; by words of the label where left out. */
  find?: () => Promise<Find>;
  /** Told what was typed, where the options come from elsewhere. */
  onText?: (text: string) => void;
  anchor: RefObject<HTMLButtonElement | null>;
  onPick: (id: string) => void;
  onClose: () => void;
}

const byWords = (options: readonly PickOption[], text: string): readonly PickOption[] => {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return options.filter((o) => words.every((w) => `${o.label} ${o.detail ?? ''}`.toLowerCase().includes(w)));
};

/** The list of a {@link PickField}: type to narrow it, arrows and Enter to pick. */
export default function PickList({ label, value, options, find, onText, anchor, onPick, onClose }: Props) {
  const [text, setText] = useState('');
  const [own, setOwn] = useState<{ find: Find }>();
  /** What was typed when Enter came before there was a way to find it: it is picked as soon as there is. */
  const early = useRef<string>(undefined);
  const pick = (id: string): void => {
    onPick(id);
    onClose();
  };
  useEffect(() => {
    void find?.().then((loaded) => setOwn({ find: loaded }));
    // eslint-disable-next-line react-hooks/exhaustive-deps -- loaded once, as the list opens
  }, []);
  useEffect(() => {
    // Enter may still come between the loading and this: it is asked for here, where the keys know of it too.
    const first = early.current === undefined ? undefined : own?.find(early.current)[0];
    if (first) pick(first.id);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, as it can be found
  }, [own]);
  const shown = own ? own.find(text) : onText ? options : byWords(options, text);
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={anchor as RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={4}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            anchor.current?.focus();
          }}
          className="z-30 w-[min(420px,94vw)] rounded-sm border border-steel-500 bg-steel-50 shadow-xl"
        >
          <Command
            label={label}
            shouldFilter={false}
            loop
            defaultValue={value}
            onKeyDown={(e) => {
              early.current = e.key === 'Enter' && find && !own ? text : undefined;
              if (early.current !== undefined) e.preventDefault();
            }}
          >
            <Command.Input
              value={text}
              onValueChange={(typed) => {
                setText(typed);
                onText?.(typed);
              }}
              placeholder="Type to find"
              autoFocus
              className="h-11 w-full border-b border-steel-300 bg-white px-3 text-base placeholder:text-steel-500"
            />
            <Command.List className="max-h-[min(380px,50dvh)] overflow-auto p-1">
              <Command.Empty className="p-3">Nothing by that name.</Command.Empty>
              {shown.map((o) => (
                <Command.Item
                  key={o.id}
                  value={o.id}
                  onSelect={() => pick(o.id)}
                  className="flex min-h-11 cursor-pointer items-center gap-3 rounded-sm px-2.5 data-[selected=true]:bg-ink data-[selected=true]:text-white"
                >
                  <span className={o.id === value ? 'font-bold' : ''}>{o.label}</span>
                  {o.detail && <span className="ml-auto shrink-0 font-cond text-sm opacity-80">{o.detail}</span>}
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
