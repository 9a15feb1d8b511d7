'use client';

export default function Fault({ reset }: { reset: () => void }) {
  return (
    <main id="main" className="mx-auto max-w-2xl p-8">
      <h1 className="font-cond text-3xl font-semibold">Something went wrong</h1>
      <p className="mt-2 text-lg">
        The address still holds your question. Try again; if it happens again, note what you typed and report it.
      </p>
      <button type="button" className="btn-next mt-4" onClick={reset}>
        Try again
      </button>
    </main>
  );
}
