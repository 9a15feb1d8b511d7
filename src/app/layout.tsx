import '@fontsource/atkinson-hyperlegible/latin-400.css';
import '@fontsource/atkinson-hyperlegible/latin-700.css';
import '@fontsource/barlow-condensed/latin-500.css';
import '@fontsource/barlow-condensed/latin-600.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { TopBar } from '@/ui/top-bar';

export const metadata: Metadata = {
  title: { default: 'Jolly Bit', template: '%s · Jolly Bit' },
  description: 'Plans, runs and remembers drilled and tapped holes.',
};
export const viewport: Viewport = { themeColor: '#14275e' };
export const dynamic = 'force-dynamic';

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body className="min-h-dvh">
        <TopBar />
        {children}
      </body>
    </html>
  );
}
