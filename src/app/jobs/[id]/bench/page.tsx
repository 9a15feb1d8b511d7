import { BenchView } from '@/features/bench/bench-view';

export const metadata = { title: 'Bench' };

interface Props {
  params: Promise<{ id: string }>;
}

export default async function BenchPage({ params }: Props) {
  return <BenchView jobId={(await params).id} />;
}
