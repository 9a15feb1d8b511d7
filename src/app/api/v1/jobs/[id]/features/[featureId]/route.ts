import { featureChange, jobPatch } from '@/contracts/job-change';
import { versionField } from '@/contracts/crib';
import { database } from '@/server/start';
import { answering, checked, json, readBody } from '@/server/http/respond';
import { patchJob } from '@/server/services/change-job';

interface Context {
  params: Promise<{ id: string; featureId: string }>;
}

export const PATCH = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const { id, featureId } = await params;
    const { change, ...one } = await readBody(request, featureChange);
    const patch = checked(jobPatch, { change, features: [{ id: featureId, ...one }] });
    return json(await patchJob(await database(), id, patch));
  });

export const DELETE = (request: Request, { params }: Context): Promise<Response> =>
  answering(async () => {
    const { id, featureId } = await params;
    const { version } = checked(versionField, {
      version: Number(new URL(request.url).searchParams.get('version') ?? NaN),
    });
    const patch = checked(jobPatch, { remove: [{ id: featureId, version }] });
    return json(await patchJob(await database(), id, patch));
  });
