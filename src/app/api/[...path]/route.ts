import { problemResponse } from '@/server/http/respond';
import { Refusal } from '@/server/refusal';

const nothing = (): Response =>
  problemResponse(
    new Refusal(404, 'Nothing here', 'There is nothing at this address.', [
      {
        field: 'path',
        code: 'path-unknown',
        detail: 'No such address.',
        remedy: '/api/openapi.json lists the addresses.',
      },
    ]),
  );

export { nothing as GET, nothing as POST, nothing as PUT, nothing as PATCH, nothing as DELETE };
