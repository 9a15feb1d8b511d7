import { accessChange } from '@/contracts/session';
import { mayChangeCrib } from '@/server/access/at-the-door';
import { accessRow, setGuardsCrib } from '@/server/repositories/access-repository';
import { answering, readBody } from '@/server/http/respond';
import { Refusal } from '@/server/refusal';
import { database } from '@/server/start';

export const PUT = (request: Request): Promise<Response> =>
  answering(async () => {
    const db = await database();
    await mayChangeCrib(db, request);
    const { guardsCrib } = await readBody(request, accessChange);
    if (guardsCrib && (await accessRow(db)).passcodeHash === null)
      throw new Refusal(422, 'No passcode', 'No passcode is set here, so there is nothing to ask for.', [
        {
          field: 'guardsCrib',
          code: 'passcode-none',
          detail: 'No passcode is set.',
          remedy: 'Start once with PASSCODE set.',
        },
      ]);
    await setGuardsCrib(db, guardsCrib);
    return new Response(null, { status: 204 });
  });
