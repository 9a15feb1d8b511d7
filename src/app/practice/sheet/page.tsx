import { SheetView } from '@/features/practice/sheet-view';
import { shopForView, shopNow } from '@/server/services/shop-service';
import { database } from '@/server/start';

export const metadata = { title: 'Exercises on paper · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function SheetPage({ searchParams }: Props) {
  const seed = Number((await searchParams).seed);
  const shop = await shopNow(await database());
  return <SheetView shop={shopForView(shop)} seed={Number.isInteger(seed) && seed > 0 && seed < 1e6 ? seed : 1} />;
}
