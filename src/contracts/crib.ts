import { z } from 'zod';

export const inUseChange = z.strictObject({ inUse: z.boolean(), version: z.number().int().min(1) });

export const shopChange = z.strictObject({
  version: z.number().int().min(1),
  units: z.enum(['mm', 'inch']),
  stepRule: z.enum(['auto', 'nearest', 'below']),
  tapNames: z.enum(['taper-plug-bottoming', 'taper-second-plug']),
  formedLooser: z.boolean(),
});
export type ShopChange = z.infer<typeof shopChange>;
