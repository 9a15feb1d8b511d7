import { expect, inaccessible, test } from './test';

const JOB = '/jobs/sample-job-pier-adapter-plate';
/** What one page walks through, view by view; of some, what is opened there first. */
const VIEWS: Record<string, readonly (readonly [path: string, opens?: string])[]> = {
  'questions and jobs': [
    ['/'],
    ['/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press'],
    ['/?callout=M8+blah&depth=x'],
    ['/thread'],
    ['/jobs'],
    [JOB],
    [`${JOB}/plate`],
    [`${JOB}/plate?tab=punch`],
    [`${JOB}/holes`],
    ['/jobs/sample-job-bearing-block/holes'],
    ['/jobs/sample-job-shutter-brackets/holes/sample-hole-past-bracket/2?part=5'],
    ['/jobs/sample-job-spreader-bars/card'],
  ],
  'route, bench and log': [
    [`${JOB}/route`],
    ['/jobs/sample-job-dust-cap-ring/route'],
    ['/jobs/sample-job-dust-cap-ring/bench'],
    ['/jobs/sample-job-dust-cap-ring/check'],
    ['/jobs/sample-job-dust-cap-ring/papers'],
    ['/jobs/sample-job-dust-cap-ring/log'],
    ['/log'],
    ['/log/learned'],
    ['/log/tools'],
    ['/log/tool?tool=tap+tap-m6x1-spiral-point'],
    [`/log/readings?figure=oversize&level=${encodeURIComponent('drill letters-and-numbers-hss-_19')}`],
    ['/instruments'],
  ],
  'crib and practice': [
    ['/crib'],
    ['/crib?tab=drills'],
    ['/crib?tab=taps'],
    ['/crib?tab=habits'],
    ['/crib?tab=machines'],
    ['/crib/to-buy'],
    ['/set-up'],
    ['/practice'],
    ['/practice?kind=vernier', 'Read a height gauge'],
    ['/practice/tap'],
    ['/practice/press'],
    ['/practice/punch'],
    ['/practice/height'],
    ['/practice/edge'],
    ['/practice/why'],
    ['/practice/why?rule=percent'],
    ['/practice/class'],
  ],
};
const SIZES = [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const;

/** What is cut off or lies over something else on the page as it stands, in words. */
function faultsOf(): string[] {
  const pen = document.createElement('canvas').getContext('2d') as CanvasRenderingContext2D;
  const isSeen = (el: Element): boolean => {
    const { width, height } = el.getBoundingClientRect();
    return width > 1 && height > 1 && !el.closest('.sr-only') && el.checkVisibility({ visibilityProperty: true });
  };
  const cut = [...document.querySelectorAll<HTMLElement>('header *, nav *, main *')].filter(isSeen).flatMap((el) => {
    const style = getComputedStyle(el);
    if (el instanceof HTMLSelectElement) {
      pen.font = style.font;
      const room = el.clientWidth - parseFloat(style.paddingLeft) - parseFloat(style.paddingRight) - 16;
      const text = el.selectedOptions[0]?.text ?? '';
      return pen.measureText(text).width > room ? [`select: ${text}`] : [];
    }
    const own = [...el.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && (n.textContent ?? '').trim() !== '');
    const isClipped =
      style.overflowX === 'hidden' || style.textOverflow === 'ellipsis' || el instanceof HTMLInputElement;
    return (own || el instanceof HTMLInputElement) && isClipped && el.scrollWidth > el.clientWidth + 1
      ? [`${el.tagName.toLowerCase()}: ${el instanceof HTMLInputElement ? el.value : el.textContent}`]
      : [];
  });
  const over = [...document.querySelectorAll('svg')].filter(isSeen).flatMap((svg) => {
    const frame = svg.getBoundingClientRect();
    const texts = [...svg.querySelectorAll('text')].map((t) => ({
      t: t.textContent ?? '',
      r: t.getBoundingClientRect(),
    }));
    const out = texts.filter(({ r }) => r.left < frame.left - 2 || r.right > frame.right + 2);
    const pairs = texts.flatMap((a, i) =>
      texts
        .slice(i + 1)
        .filter(
          (b) =>
            Math.min(a.r.right, b.r.right) - Math.max(a.r.left, b.r.left) > 3 &&
            Math.min(a.r.bottom, b.r.bottom) - Math.max(a.r.top, b.r.top) > 0.4 * Math.min(a.r.height, b.r.height),
        )
        .map((b) => `${a.t} over ${b.t}`),
    );
    return [...out.map(({ t }) => `outside its drawing: ${t}`), ...pairs];
  });
  const wide = document.documentElement.scrollWidth - window.innerWidth;
  return [...cut, ...over, ...(wide > 0 ? [`${wide} px wider than the screen`] : [])];
}

for (const [what, views] of Object.entries(VIEWS))
  test(`nothing is cut off, lies over another or stands in anybody’s way: ${what}`, async ({ page }) => {
    const errors: string[] = [];
    page.on('console', (m) => m.type() === 'error' && errors.push(m.text()));
    page.on('pageerror', (e) => errors.push(e.message));
    for (const [view, opens] of views) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(view);
      await page.waitForLoadState('networkidle');
      if (opens) await page.getByRole('button', { name: opens }).first().click();
      await expect(page.getByRole('heading', { level: 1 }), view).toBeVisible();
      for (const unit of ['mm', 'inch']) {
        for (const [width, height] of unit === 'mm' ? SIZES : SIZES.toReversed()) {
          await page.setViewportSize({ width, height });
          await expect.poll(() => page.evaluate(faultsOf), `${view}, ${unit}, ${width} wide`).toEqual([]);
          if (unit === 'mm') expect(await inaccessible(page, `${view} at ${width}`)).toEqual([]);
        }
        await page.keyboard.press('Alt+u');
      }
      expect(errors, view).toEqual([]);
    }
  });
