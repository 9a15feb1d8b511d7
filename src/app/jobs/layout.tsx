import type { ReactNode } from 'react';
import { QueryProvider } from '@/features/job-store/query-provider';

export default function JobsLayout({ children }: { children: ReactNode }) {
  return <QueryProvider>{children}</QueryProvider>;
}
