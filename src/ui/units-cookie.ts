/** Cookie in which a browser keeps the unit that it was last switched to. */
export const UNITS_COOKIE = 'units';
