'use client';

import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Answer, Source } from '@/core/answer/answer';
import { showText, tell, type Display } from '@/core/units/show';

const Modal = dynamic(() => import('./modal'), { ssr: false });

const KIND: Record<Source['kind'], string> = {
  standard: 'Standard',
  'trade rule': 'Rule of the trade',
  model: 'Our model: an estimate, never a rating',
};

/** The key beside a figure that shows how it was reached. */
export function Working({ of, name, display, dark }: { of: Answer; name: string; display: Display; dark?: boolean }) {
  const [open, setOpen] = useState(false);
  const { working } = of;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        aria-label={`Show the working: ${name}`}
        className={`-my-2 inline-flex h-8 min-w-8 items-center justify-center px-1 font-cond text-[15px] font-medium underline decoration-dotted underline-offset-4 ${
          dark ? 'text-dye-200 hover:text-white' : 'text-dye-700 hover:text-ink'
        }`}
      >
        why
      </button>
      {open && (
        <Modal title={`${working.rule}: ${showText(of, display)}`} onClose={() => setOpen(false)}>
          <p className="rounded-sm bg-steel-200 px-3 py-2">{working.formula}</p>
          <table className="w-full">
            <tbody>
              {working.inputs.map(({ label, quantity }) => (
                <tr key={label} className="border-b border-steel-200">
                  <th scope="row" className="py-1.5 pr-4 text-left font-normal">
                    {label}
                  </th>
                  <td className="py-1.5 text-right font-bold whitespace-nowrap">
                    {typeof quantity === 'string' ? quantity : showText(quantity, display)}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p>
            <span className="label">{KIND[working.source.kind]}</span>
            <br />
            {working.source.name}
          </p>
          {working.assumptions.length > 0 && (
            <ul className="list-disc pl-5">
              {working.assumptions.map((a) => (
                <li key={a.text}>{tell(a, display)}</li>
              ))}
            </ul>
          )}
        </Modal>
      )}
    </>
  );
}
