import { z } from 'zod';

/** Copies of the data that lie beside it, newest first. */
export const copyList = z.object({ copies: z.array(z.object({ name: z.string(), at: z.string() })) });
export type CopyList = z.infer<typeof copyList>;
