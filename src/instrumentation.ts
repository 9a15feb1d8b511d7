/**
 * Called once when the server starts: the database is open, checked and filled before the first request. What cannot be
 * mended by starting again ends the server with one sentence.
 */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return;
  const { startOrEnd } = await import('./server/start');
  await startOrEnd();
}
