import { openApiDocument } from '@/server/http/openapi';
import { json } from '@/server/http/respond';

export const GET = (): Response => json(openApiDocument());
