/** A key that does the same as a touch. */
export const Key = ({ children }: { children: string }) => (
  <kbd className="rounded-sm border border-steel-500 bg-white px-1.5 font-cond text-ink">{children}</kbd>
);
