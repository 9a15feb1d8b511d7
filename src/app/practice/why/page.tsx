import { WhyView } from '@/features/practice/why-view';

export const metadata = { title: 'Why · Jolly Bit' };

interface Props {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}

export default async function WhyPage({ searchParams }: Props) {
  const { rule } = await searchParams;
  return <WhyView rule={typeof rule === 'string' ? rule : undefined} />;
}
