'use client';

import type { Answer, Source } from '@/core/answer/answer';
import { reasonOfRule } from '@/core/answer/reasons';
import { showText, tell, type Display } from '@/core/units/show';
import { later } from './later';
import Modal from './modal';

const Live = later(() => import('./live/live'));

const KIND: Record<Source['kind'], string> = {
  standard: 'Standard',
  'trade rule': 'Trade rule',
  model: 'Our model: an estimate, never a rating',
};

/** How a figure was reached: why it is so, formula, what went in, who says so, what was assumed. */
export default function WorkingDialog({ of, display, onClose }: { of: Answer; display: Display; onClose: () => void }) {
  const { working } = of;
  const reason = reasonOfRule(working.rule);
  return (
    <Modal title={`${working.rule}: ${showText(of, display)}`} onClose={onClose}>
      {reason && (
        <p className="text-lg leading-snug">
          {reason.says}{' '}
          {reason.href && (
            <a className="link text-[15px]" href={reason.href}>
              Open the why page
            </a>
          )}
        </p>
      )}
      {working.drawn && <Live drawn={working.drawn} display={display} />}
      <p className="rounded-sm bg-steel-200 px-3 py-2">
        {display === 'inch' ? (working.inchFormula ?? working.formula) : working.formula}
      </p>
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
  );
}
