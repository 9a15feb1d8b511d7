import { DATA_MARK } from '@/contracts/data-mark';
import type { Database } from '../database';
import { findDataMark } from '../repositories/data-repository';

/** An answer that says which data it is of, so that a page notices when a copy was brought back. */
export async function withDataMark(db: Database, response: Response): Promise<Response> {
  response.headers.set(DATA_MARK, await findDataMark(db));
  return response;
}
