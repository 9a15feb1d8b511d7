/** A figure as it is written to a file or an answer: to six places, so that what floats beyond them is not there. */
export const sixPlaces = (value: number): number => Math.round(value * 1e6) / 1e6;
