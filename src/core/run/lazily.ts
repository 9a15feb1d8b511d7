/** What is worked out when it is first asked for. */
export function lazily<T extends object>(make: () => T): () => T {
  let made: T | undefined;
  return () => (made ??= make());
}
