import { everyText } from './every-text.mjs';
import { PIER, said, Server } from './lib.mjs';

/** Every text of every operation and page with odd texts; then a start over what was taken of them. */
export async function texts() {
  const server = new Server(3969);
  await server.start();
  const document = await (await fetch(`${server.base}/api/openapi.json`)).json();
  const { pid } = server.child;
  const { sent, counts, bad } = await everyText(server.base, document, {
    id: PIER,
    featureId: 'sample-hole-plate-circle',
  });
  const alive = server.child.exitCode === null && server.child.pid === pid;
  said(`${sent} odd texts: answered or refused`, bad.length === 0 && alive, { counts, ...(bad.length ? { bad } : {}) });
  await server.kill();
  await server.start();
  const pages = [
    '/',
    '/jobs',
    `/jobs/${PIER}`,
    `/jobs/${PIER}/plate`,
    `/jobs/${PIER}/log`,
    '/log',
    '/crib',
    '/practice',
  ];
  const after = await Promise.all(pages.map(async (page) => (await fetch(server.base + page)).status));
  said(
    'after them a start, and every page',
    after.every((s) => s === 200),
    { after },
  );
  await server.kill();
}
