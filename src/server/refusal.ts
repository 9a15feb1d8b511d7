import type { FieldError } from '@/contracts/problem';

/** A request that cannot be carried out, with the status and the fields that say why. */
export class Refusal extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 415 | 421 | 422 | 429 | 503 | 507,
    readonly title: string,
    readonly detail: string,
    readonly errors: FieldError[] = [],
    readonly partial?: unknown,
    /** When to come again, s. */
    readonly retryAfterS?: number,
  ) {
    super(detail);
  }
}
