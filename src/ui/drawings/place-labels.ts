/** Something round that a label may not cover, px. */
export interface Round {
  x: number;
  y: number;
  r: number;
}

export interface Labelled extends Round {
  text: string;
}

/** Where a label is written from: its left edge and base line, px. */
export interface LabelPlace {
  x: number;
  y: number;
}

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** A condensed letter is so wide and high at 16 px. */
const LETTER = { width: 8, height: 13 } as const;
const GAP = 3;

const boxOf = (at: LabelPlace, text: string): Box => ({
  left: at.x - 1,
  right: at.x + LETTER.width * text.length + 1,
  top: at.y - LETTER.height,
  bottom: at.y + 2,
});

const cover = (a: Box, b: Box): number =>
  Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
  Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top));

function coverRound({ left, right, top, bottom }: Box, { x, y, r }: Round): number {
  const dx = x - Math.min(right, Math.max(left, x));
  const dy = y - Math.min(bottom, Math.max(top, y));
  return Math.max(0, r - Math.hypot(dx, dy));
}

/** The places about a hole that are tried: right above first, then around it. */
function placesAbout({ x, y, r, text }: Labelled): LabelPlace[] {
  const w = LETTER.width * text.length;
  const d = r * 0.75 + GAP;
  const up = y - d;
  const down = y + d + LETTER.height;
  return [
    { x: x + d, y: up },
    { x: x - d - w, y: up },
    { x: x + d, y: down },
    { x: x - d - w, y: down },
    { x: x + r + GAP, y: y + LETTER.height / 2 },
    { x: x - r - GAP - w, y: y + LETTER.height / 2 },
    { x: x - w / 2, y: y - r - GAP },
    { x: x - w / 2, y: y + r + GAP + LETTER.height },
  ];
}

/**
 * Places for the labels of holes so that none covers a hole or another label, as far as there is room; each takes the first
 * free place about its hole, else the one that covers least.
 */
export function placeLabels(labels: readonly Labelled[], rounds: readonly Round[]): LabelPlace[] {
  const taken: Box[] = [];
  return labels.map((label) => {
    const near = rounds.filter((o) => Math.abs(o.x - label.x) < 120 + o.r && Math.abs(o.y - label.y) < 60 + o.r);
    let best: { at: LabelPlace; cost: number } | undefined;
    for (const at of placesAbout(label)) {
      const box = boxOf(at, label.text);
      const cost =
        taken.reduce((sum, b) => sum + cover(box, b), 0) + near.reduce((sum, o) => sum + 10 * coverRound(box, o), 0);
      if (!best || cost < best.cost - 1e-9) best = { at, cost };
      if (cost === 0) break;
    }
    const { at } = best as { at: LabelPlace };
    taken.push(boxOf(at, label.text));
    return at;
  });
}
