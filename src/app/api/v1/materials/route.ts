import { database } from '@/server/start';
import { answering, json } from '@/server/http/respond';
import { shopNow } from '@/server/services/shop-service';

export const GET = (): Promise<Response> =>
  answering(async () => json({ materials: (await shopNow(await database())).materials }));
