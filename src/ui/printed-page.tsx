import type { ReactNode } from 'react';
import { PAPERS, type Paper } from './paper';

/** What is printed, as wide as its paper or as the phone that shows it. */
export function PrintedPage({ paper, label, children }: { paper: Paper; label: string; children: ReactNode }) {
  const { width, height } = PAPERS[paper];
  return (
    <article
      aria-label={label}
      className="mx-auto bg-white p-[5mm] text-black shadow sm:p-[8mm] print:m-0 print:p-0 print:shadow-none"
      style={{ width: `min(100%, ${width})`, minHeight: height }}
      data-testid="card"
    >
      <style>{`@page { size: ${width} ${height}; margin: ${paper === 'a4' ? '8mm' : '6mm'}; } @media print { html, body { background: white; } article { width: auto !important; min-height: 0 !important; } }`}</style>
      {children}
    </article>
  );
}
