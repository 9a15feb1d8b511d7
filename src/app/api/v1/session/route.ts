import { randomUUID } from 'node:crypto';
import { signIn, type SessionState, type SignedIn } from '@/contracts/session';
import { checkPasscode, isSecure, needsSession, sessionOf } from '@/server/access/at-the-door';
import { deviceCookie, endedCookie, knownDevice, markOf, sessionCookie, SESSION_MS } from '@/server/access/session';
import { answering, json, readBody } from '@/server/http/respond';
import { accessRow, endSession } from '@/server/repositories/access-repository';
import { database } from '@/server/start';

const ranOut = (): string => new Date(Date.now() - SESSION_MS).toISOString();

export const GET = (request: Request): Promise<Response> =>
  answering(async () => {
    const { guardsCrib, passcodeHash } = await accessRow(await database());
    const state: SessionState = {
      who: (await sessionOf(request))?.who ?? '',
      guarded: needsSession(request.headers),
      guardsCrib: guardsCrib && passcodeHash !== null,
    };
    return json(state);
  });

export const POST = (request: Request): Promise<Response> =>
  answering(async () => {
    const { passcode, who } = await readBody(request, signIn);
    const db = await database();
    await checkPasscode(db, request, passcode);
    // One browser has one session: what it had before ends with it.
    const before = await sessionOf(request);
    if (before) await endSession(db, before.id, ranOut());
    const response = json({ who, mark: markOf(who) } satisfies SignedIn);
    const session = { id: randomUUID(), who, confirmedAt: Date.now() };
    const secure = isSecure(request.headers);
    response.headers.set('set-cookie', await sessionCookie(session, secure));
    response.headers.append(
      'set-cookie',
      deviceCookie(knownDevice(request.headers.get('cookie')) ?? randomUUID(), secure),
    );
    return response;
  });

export const DELETE = (request: Request): Promise<Response> =>
  answering(async () => {
    const session = await sessionOf(request);
    if (session) await endSession(await database(), session.id, ranOut());
    const response = new Response(null, { status: 204 });
    response.headers.set('set-cookie', endedCookie(isSecure(request.headers)));
    return response;
  });
