import { expect, inaccessible, test } from './test';

const JOB = '/jobs/sample-job-pier-adapter-plate';
/** What one page walks through, view by view; of some, what is opened there first. */
const VIEWS: Record<string, readonly (readonly [path: string, opens?: string])[]> = {
  'questions and jobs': [
    ['/'],
    ['/?callout=M8+x+16+DEEP&thickness=25&machine=bench-drill-press', 'More'],
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
    ['/crib?tab=machines'],
    ['/crib?tab=drills'],
    ['/crib?tab=taps'],
    ['/crib?tab=tools'],
    ['/crib?tab=materials'],
    ['/crib?tab=habits'],
    ['/crib?tab=files'],
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

/** What is cut off, lies over something else or is too small for a finger on the page as it stands, in words. */
function faultsOf(): string[] {
  const isTouched = matchMedia('(pointer: coarse)').matches;
  const isSeen = (el: Element): boolean => {
    const { width, height } = el.getBoundingClientRect();
    return width > 1 && height > 1 && !el.closest('.sr-only') && el.checkVisibility({ visibilityProperty: true });
  };
  const cut = [...document.querySelectorAll<HTMLElement>('header *, nav *, main *')].filter(isSeen).flatMap((el) => {
    const style = getComputedStyle(el);
    if (el instanceof HTMLSelectElement) {
      // What one that cannot be seen has chosen stands beneath it as text.
      if (style.opacity === '0') return [];
      // As wide as this browser makes one that shows nothing else, in the same face, its arrow included.
      const alone = el.cloneNode() as HTMLSelectElement;
      alone.append(new Option(el.selectedOptions[0]?.text ?? ''));
      alone.style.cssText = 'position: absolute; visibility: hidden; width: max-content; min-width: 0; max-width: none';
      el.after(alone);
      const isCut = alone.offsetWidth > el.offsetWidth + 1;
      alone.remove();
      return isCut ? [`select: ${el.selectedOptions[0]?.text}`] : [];
    }
    const own = [...el.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && (n.textContent ?? '').trim() !== '');
    const isClipped =
      style.overflowX === 'hidden' || style.textOverflow === 'ellipsis' || el instanceof HTMLInputElement;
    // A key that does not let its words wrap has to have room for them.
    const isKey = el instanceof HTMLButtonElement && style.whiteSpace === 'nowrap';
    return (own || el instanceof HTMLInputElement) && (isClipped || isKey) && el.scrollWidth > el.clientWidth + 1
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
  /** Elements side by side in one parent, each where it flows. */
  const flows = (el: Element): boolean => {
    const { position, display, transform } = getComputedStyle(el);
    return (
      isSeen(el) &&
      el.checkVisibility({ opacityProperty: true }) &&
      !el.closest('[inert], [aria-hidden=true]') &&
      display !== 'inline' &&
      transform === 'none' &&
      !['absolute', 'fixed', 'sticky'].includes(position)
    );
  };
  const lying = [...document.querySelectorAll('header, header *, nav *, main, main *')]
    .filter((el) => el.children.length > 1 && el.children.length < 200 && !el.closest('svg'))
    .flatMap((parent) => {
      const boxes = [...parent.children].filter(flows).map((el) => ({ el, r: el.getBoundingClientRect() }));
      return boxes.flatMap((a, i) => {
        const b = boxes[i + 1];
        return b &&
          Math.min(a.r.right, b.r.right) - Math.max(a.r.left, b.r.left) > 2 &&
          Math.min(a.r.bottom, b.r.bottom) - Math.max(a.r.top, b.r.top) > 2
          ? [`${a.el.textContent?.slice(0, 40)} lies over ${b.el.textContent?.slice(0, 40)}`]
          : [];
      });
    });
  const small = [...document.querySelectorAll<HTMLElement>('button, select, summary, input:not([type=hidden])')]
    .filter((el) => isTouched && isSeen(el) && !el.closest('p'))
    .flatMap((el) => {
      const { width, height } = (el.closest('label') ?? el).getBoundingClientRect();
      return height < 43.5 || width < 24
        ? [
            `too small for a finger: ${el.getAttribute('aria-label') ?? el.textContent?.slice(0, 40)} ${Math.round(width)} x ${Math.round(height)}`,
          ]
        : [];
    });
  const wide = document.documentElement.scrollWidth - window.innerWidth;
  return [...cut, ...over, ...lying, ...small, ...(wide > 0 ? [`${wide} px wider than the screen`] : [])];
}

for (const [what, views] of Object.entries(VIEWS))
  test(`nothing is cut off, lies over another or stands in anybody’s way: ${what}`, async ({ page }) => {
    const errors: string[] = [];
    const hands = await page.context().newCDPSession(page);
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
          await hands.send('Emulation.setTouchEmulationEnabled', { enabled: width < 1000, maxTouchPoints: 5 });
          await page.evaluate(() => document.fonts.ready.then(() => undefined));
          await expect.poll(() => page.evaluate(faultsOf), `${view}, ${unit}, ${width} wide`).toEqual([]);
          if (unit === 'mm') expect(await inaccessible(page, `${view} at ${width}`)).toEqual([]);
        }
        await page.keyboard.press('Alt+u');
      }
      expect(errors, view).toEqual([]);
    }
  });
