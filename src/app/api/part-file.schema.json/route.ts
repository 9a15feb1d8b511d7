import { z } from 'zod';
import { partFile } from '@/contracts/part-file';
import { json } from '@/server/http/respond';

export const GET = (): Response => json(z.toJSONSchema(partFile, { io: 'input' }));
