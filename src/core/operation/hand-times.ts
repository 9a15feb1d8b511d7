/** Time of work that is not cutting, s for one hole. Our judgement. */
export const HANDS_S = { 'lay-out': 45, 'lay-out-dials': 12, deburr: 8 } as const;

/** To clean a hole before it is gauged, and for each thing that is gauged on it, s. Our judgement. */
const CLEAN_S = 20;
const GAUGE_S = 15;

/** Seconds to clean and gauge one hole, by how many things are gauged. */
export const gaugingSeconds = (checks: number): number => CLEAN_S + GAUGE_S * checks;

/** What is gauged: of a thread go, not-go, minor, square, place, mate, and its depth where it is blind; of a taper two; of a bore size and place. */
export const CHECKS = { thread: 6, depth: 1, taper: 2, bore: 2 } as const;
