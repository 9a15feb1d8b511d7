/** Header in which the server says which data it has: another one means that a copy was brought back. */
export const DATA_MARK = 'x-jolly-bit-data';
