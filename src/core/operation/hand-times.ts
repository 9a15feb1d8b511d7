/** Time of work that is not cutting, s for one hole. Our judgement. */
export const HANDS_S = { 'lay-out': 45, 'lay-out-dials': 12, deburr: 8, check: 25 } as const;
