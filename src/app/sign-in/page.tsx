import { SignIn } from '@/features/sign-in/sign-in';

export const metadata = { title: 'Sign in' };

interface Props {
  searchParams: Promise<{ next?: string }>;
}

export default async function SignInPage({ searchParams }: Props) {
  const { next } = await searchParams;
  // Only on to a page of ours.
  const to = typeof next === 'string' && /^\/(?![/\\])/.test(next) ? next : '/';
  return <SignIn next={to} />;
}
