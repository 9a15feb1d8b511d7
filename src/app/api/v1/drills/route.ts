import { database } from '@/server/start';
import { drillList, drillQuery, queryOf } from '@/server/http/catalogue';
import { answering, checked, json } from '@/server/http/respond';
import { shopNow } from '@/server/services/shop-service';
import { Refusal } from '@/server/refusal';

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { set } = checked(drillQuery, queryOf(request));
    const shop = await shopNow(await database());
    const sets = drillList(shop, set);
    if (sets.length === 0)
      throw new Refusal(422, 'No such drill set', `There is no drill set “${set}”.`, [
        {
          field: 'set',
          code: 'drills-unknown',
          detail: 'No such set.',
          remedy: `Pick one of: ${shop.pools.map((p) => p.id).join(', ')}.`,
        },
      ]);
    return json({ sets });
  });
