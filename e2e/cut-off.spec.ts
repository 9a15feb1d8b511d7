import { expect, inaccessible, test } from './test';

const JOB = '/jobs/sample-job-pier-adapter-plate';
const VIEWS = [
  '/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press',
  '/thread',
  '/jobs',
  '/log',
  '/log/learned',
  '/log/tools',
  '/log/tool?tool=tap+tap-m6x1-spiral-point',
  `/log/readings?figure=oversize&level=${encodeURIComponent('drill letters-and-numbers-hss-_19')}`,
  '/jobs/sample-job-shutter-brackets/holes/sample-hole-past-bracket/2?part=5',
  '/jobs/sample-job-dust-cap-ring/bench',
  '/jobs/sample-job-dust-cap-ring/check',
  '/jobs/sample-job-dust-cap-ring/log',
  JOB,
  `${JOB}/plate`,
  `${JOB}/plate?tab=punch`,
  `${JOB}/holes`,
  `${JOB}/route`,
  '/crib?tab=drills',
  '/crib?tab=taps',
  '/crib?tab=habits',
  '/crib?tab=machines',
  '/crib/to-buy',
  '/instruments',
  '/set-up',
  '/practice',
  '/practice/tap',
  '/practice/press',
  '/practice/punch',
  '/practice/height',
  '/practice/edge',
  '/practice/why?rule=percent',
  '/practice/class',
  '/jobs/sample-job-dust-cap-ring/route',
  '/jobs/sample-job-dust-cap-ring/papers',
  '/jobs/sample-job-bearing-block/holes',
];
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

for (const view of VIEWS)
  test(`nothing is cut off, no label lies over another: ${view}`, async ({ page }) => {
    await page.goto(view);
    await page.waitForLoadState('networkidle');
    for (const unit of ['mm', 'inch']) {
      if (unit === 'inch') await page.keyboard.press('Alt+u');
      for (const [width, height] of SIZES) {
        await page.setViewportSize({ width, height });
        await expect.poll(() => page.evaluate(faultsOf), `${unit}, ${width} wide`).toEqual([]);
        // At the desk every view is looked at by the tests of its own.
        if (unit === 'mm' && width < 1280) expect(await inaccessible(page, `${view} at ${width}`)).toEqual([]);
      }
    }
  });
