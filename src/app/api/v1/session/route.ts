import { signIn, type SessionState } from '@/contracts/session';
import { checkPasscode, needsSession, sessionOf } from '@/server/access/at-the-door';
import { accessRow } from '@/server/access/passcode';
import { endedCookie, sessionCookie } from '@/server/access/session';
import { answering, json, readBody } from '@/server/http/respond';
import { database } from '@/server/start';

const isSecure = (): boolean => process.env.PUBLIC_URL?.startsWith('https:') ?? false;

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { guardsCrib, passcodeHash } = await accessRow(await database());
    const state: SessionState = {
      who: (await sessionOf(request))?.who ?? '',
      guarded: needsSession(request.headers.get('host')),
      guardsCrib: guardsCrib && passcodeHash !== null,
    };
    return json(state);
  });

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    const { passcode, who } = await readBody(request, signIn);
    await checkPasscode(await database(), request, passcode);
    const response = new Response(null, { status: 204 });
    response.headers.set('set-cookie', await sessionCookie({ who, confirmedAt: Date.now() }, isSecure()));
    return response;
  });

export const DELETE = (): Response => {
  const response = new Response(null, { status: 204 });
  response.headers.set('set-cookie', endedCookie(isSecure()));
  return response;
};
