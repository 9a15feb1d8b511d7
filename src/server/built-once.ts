import type { Writer } from './writing';

/** A query that is built once for each open database, and takes its values by name: for what is asked for at every press of a key. */
export function builtOnce<Query>(build: (db: Writer) => Query): (db: Writer) => Query {
  const built = new WeakMap<Writer, Query>();
  return (db) => {
    const query = built.get(db) ?? build(db);
    built.set(db, query);
    return query;
  };
}
