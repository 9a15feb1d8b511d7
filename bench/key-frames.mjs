const FRAME_MS = 1000 / 60;
const p = (times, share) =>
  [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(times.length * share))];

/**
 * From each key to the end of the paint that follows it, by the browser's own record of its work, in frames.
 * @param slowed how many times the processor is slowed
 * @param restMs between two keys
 * @param count of keys
 */
export async function keyFrames(page, key, slowed = 1, restMs = 1000, count = 40) {
  const session = await page.context().newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slowed });
  const events = [];
  session.on('Tracing.dataCollected', ({ value }) => events.push(...value));
  await session.send('Tracing.start', { categories: 'devtools.timeline', transferMode: 'ReportEvents' });
  for (let i = 0; i < count; i++) {
    await page.keyboard.press(Array.isArray(key) ? key[i % key.length] : key);
    await page.waitForTimeout(restMs);
  }
  const ended = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve));
  await session.send('Tracing.end');
  await ended;
  const keys = events.filter((e) => e.name === 'EventDispatch' && e.args.data?.type === 'keydown');
  const painted = events.filter((e) => e.name === 'Layerize').sort((x, y) => x.ts - y.ts);
  const done = events.filter((e) => e.ph === 'X').sort((x, y) => x.ts - y.ts || y.dur - x.dur);
  // Work inside of other work counts with it.
  const workOf = (own, from, to) => {
    let until = 0;
    const sum = done
      .filter((e) => own(e) && e.ts >= from && e.ts < to)
      .reduce((all, e) => {
        if (e.ts < until) return all;
        until = e.ts + e.dur;
        return all + (e.tdur ?? 0);
      }, 0);
    return sum / 1000 / FRAME_MS;
  };
  const found = keys.flatMap((one, i) => {
    const own = (e) => e.tid === one.tid && e.pid === one.pid;
    const ends = painted
      .filter((e) => own(e) && e.ts >= one.ts + one.dur && e.ts < (keys[i + 1]?.ts ?? Infinity))
      .map((e) => e.ts + e.dur);
    const [end, ...later] = ends;
    if (end === undefined) return [];
    return [
      {
        frames: (end - one.ts) / 1000 / FRAME_MS,
        work: workOf(own, one.ts, end),
        later: later.map((to, n) => workOf(own, ends[n], to)),
      },
    ];
  });
  const frames = found.map((f) => f.frames);
  const work = found.map((f) => f.work);
  const later = found.flatMap((f) => f.later);
  return {
    keys: frames.length,
    medianFrames: p(frames, 0.5),
    p95Frames: p(frames, 0.95),
    // The page's own work, whoever else the processor works for.
    medianWork: p(work, 0.5),
    p95Work: p(work, 0.95),
    // Frames that follow of the same key, where what it moved is told in more drawings and in words.
    p95LaterWork: later.length > 0 ? p(later, 0.95) : undefined,
    ratio: p(frames, 0.95),
  };
}
