import { CheckView } from '@/features/check/check-view';

export const metadata = { title: 'Check' };

interface Props {
  params: Promise<{ id: string }>;
}

export default async function CheckPage({ params }: Props) {
  return <CheckView jobId={(await params).id} />;
}
