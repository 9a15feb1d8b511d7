import { routeIssueRequest } from '@/contracts/route-issue';
import { database } from '@/server/start';
import { answering, json, readBody } from '@/server/http/respond';
import { issueRoute, issuesOf } from '@/server/services/route-service';

interface At {
  params: Promise<{ id: string }>;
}

export const GET = (_: Request, { params }: At): Promise<Response> =>
  answering(async () => json({ routes: await issuesOf(await database(), (await params).id) }));

export const POST = (request: Request, { params }: At): Promise<Response> =>
  answering(async () => {
    const body = await readBody(request, routeIssueRequest);
    return json(await issueRoute(await database(), (await params).id, body), 201);
  });
