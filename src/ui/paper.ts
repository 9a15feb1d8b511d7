/** Sizes of paper that a card or a sheet is printed on. */
export type Paper = 'a5' | 'letter-half' | 'a4';
export const PAPERS: Record<Paper, { label: string; width: string; height: string }> = {
  a5: { label: 'A5', width: '148mm', height: '210mm' },
  'letter-half': { label: 'Half letter', width: '5.5in', height: '8.5in' },
  a4: { label: 'A4', width: '210mm', height: '297mm' },
};
