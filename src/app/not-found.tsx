import Link from 'next/link';

export default function NotFound() {
  return (
    <main id="main" className="mx-auto max-w-2xl p-8">
      <h1 className="font-cond text-3xl font-semibold">Not here</h1>
      <p className="mt-2 text-lg">
        There is nothing at this address. A deleted job comes back with undo in{' '}
        <Link href="/jobs" className="link">
          Jobs
        </Link>
        .
      </p>
    </main>
  );
}
