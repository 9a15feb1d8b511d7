import '@fontsource/atkinson-hyperlegible/latin-400.css';
import '@fontsource/atkinson-hyperlegible/latin-700.css';
import '@fontsource/barlow-condensed/latin-500.css';
import '@fontsource/barlow-condensed/latin-600.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { headers } from 'next/headers';
import { LeftOver } from '@/features/job-store/left-over';
import { sessionIn } from '@/server/access/session';
import { TopBar } from '@/features/top-bar/top-bar';
import { database } from '@/server/start';
import { zoneNow } from '@/server/services/zone-service';
import { ShopClock } from '@/ui/shop-clock';
import { UnitsProvider } from '@/ui/units';
import { unitsHere } from './units-here';

export const metadata: Metadata = {
  title: { default: 'Jolly Bit', template: '%s · Jolly Bit' },
  description: 'Plans, runs and remembers drilled and tapped holes.',
};
export const viewport: Viewport = { themeColor: '#14275e' };
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { children: ReactNode }) {
  const session = await sessionIn((await headers()).get('cookie'));
  return (
    <html lang="en">
      <body className="min-h-dvh">
        <ShopClock zone={await zoneNow(await database())}>
          <UnitsProvider first={await unitsHere()}>
            <TopBar signedInAs={session?.who} />
            <LeftOver />
            {children}
          </UnitsProvider>
        </ShopClock>
      </body>
    </html>
  );
}
