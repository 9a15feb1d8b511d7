'use client';

import Link from 'next/link';
import { DropdownMenu } from 'radix-ui';
import { JOB_VIEWS } from './job-links';

const ITEM =
  'flex min-h-11 cursor-pointer items-center rounded-sm px-3 outline-none data-[highlighted]:bg-ink data-[highlighted]:text-white';

interface Props {
  jobId: string;
  name: string;
  onCopy: () => void;
  onDelete: () => void;
}

/** What can be done with a job from the list. */
export function JobMenu({ jobId, name, onCopy, onDelete }: Props) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn px-3.5" aria-label={`More for ${name}`}>
        ⋯
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-20 min-w-40 rounded-sm border border-steel-500 bg-steel-50 p-1 shadow-xl"
        >
          {JOB_VIEWS.map(([view, label]) => (
            <DropdownMenu.Item key={view} asChild className={ITEM}>
              <Link href={`/jobs/${jobId}/${view}`} prefetch={false}>
                {label}
              </Link>
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item asChild className={ITEM}>
            <Link href={`/practice?job=${jobId}`} prefetch={false}>
              Practise it
            </Link>
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="my-1 h-px bg-steel-300" />
          <DropdownMenu.Item className={ITEM} onSelect={onCopy}>
            Duplicate
          </DropdownMenu.Item>
          <DropdownMenu.Item className={ITEM} onSelect={onDelete}>
            Delete
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
