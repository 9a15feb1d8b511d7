/** Makes a sample job one of 2,000 holes, or an empty face. */
export async function putHoles(base, id, place) {
  const job = await (await fetch(`${base}/api/v1/jobs/${id}`)).json();
  const { createdAt: _c, updatedAt: _u, ...body } = job;
  const [hole] = body.holes;
  const part = { stock: { shape: 'plate', widthMm: 1000, heightMm: 800, thicknessMm: 10 }, condition: '', datums: {} };
  const holes = place
    ? [{ ...hole, face: 'top', place, question: { ...hole.question, callout: '2000x M4 THRU' } }]
    : [];
  const done = await fetch(`${base}/api/v1/jobs/${id}`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...body, part, holes }),
  });
  if (!done.ok) throw new Error(await done.text());
}

export const GRID = { kind: 'grid', x: 20, y: 20, columns: 50, rows: 40, dx: 19, dy: 19 };
