import type { LogQuery } from '@/contracts/log';

/** The same question of a view or of a file; a job's view names its job already. */
export function logAddress({ page, ...rest }: Partial<LogQuery>, path: string): string {
  const said = { ...rest, page: page === 1 ? undefined : page };
  const params = new URLSearchParams(
    Object.entries(said).flatMap(([key, value]) => (value ? [[key, String(value)]] : [])),
  );
  return params.size === 0 ? path : `${path}?${params.toString()}`;
}
