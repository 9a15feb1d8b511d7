import { InstrumentsView } from '@/features/instruments/instruments-view';

export const metadata = { title: 'Instruments' };

export default function InstrumentsPage() {
  return <InstrumentsView />;
}
