/** Views of a job that its menu leads to. */
export const JOB_VIEWS = [
  ['plate', 'Lay out'],
  ['holes', 'Holes'],
  ['route', 'Route'],
  ['bench', 'Bench'],
  ['check', 'Check'],
  ['papers', 'Papers'],
  ['card', 'Card'],
] as const;
