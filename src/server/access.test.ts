import { checkPasscode, mayChangeCrib, needsSession, OWN, REMOTE } from './access/at-the-door';
import { passcodeWasRight, tryPasscode } from './access/attempts';
import { isPasscode, setPasscode } from './access/passcode';
import { accessRow, endSession, isEnded, setGuardsCrib } from './repositories/access-repository';
import { deviceCookie, knownDevice, sessionCookie, sessionIn, setDoor, type Door } from './access/session';
import { openDatabase } from './database';
import { isLoopback } from './http/hosts';
import { refusal, shopDatabase } from './tests/shop-database';

const { at } = shopDatabase();
const doorOf = async (): Promise<Door> => {
  const { sessionKey, nameKey } = await accessRow(at.db);
  return { guarded: true, locked: true, key: sessionKey, nameKey, isEnded: (id) => isEnded(at.db, id) };
};

test('a passcode is kept as an argon2id hash; a new one ends every session, signing out ends one', async () => {
  const before = await accessRow(at.db);
  expect([before.passcodeHash, await isPasscode(before, '')]).toEqual([null, false]);
  await expect(setPasscode(at.db, 'short')).rejects.toThrow('at least 8 characters');
  await setPasscode(at.db, 'three brass taps');
  const row = await accessRow(at.db);
  expect(row.passcodeHash).toMatch(/^\$argon2id\$/);
  expect([await isPasscode(row, 'three brass taps'), await isPasscode(row, 'three brass tap')]).toEqual([true, false]);
  // However its letters with marks were written, at the start or on a tablet.
  await setPasscode(at.db, 'cafe\u0301 taps');
  expect(await isPasscode(await accessRow(at.db), 'caf\u00e9 taps')).toBe(true);
  setDoor(await doorOf());
  const cookie = (await sessionCookie({ id: 's1', who: 'R.', confirmedAt: 5 }, true)).split(';')[0];
  expect(await sessionIn(`other=1; ${cookie}`)).toMatchObject({ who: 'R.', confirmedAt: 5 });
  expect(await sessionIn(cookie.slice(0, -4))).toBeUndefined();
  await endSession(at.db, 's1', '');
  expect(await sessionIn(cookie)).toBeUndefined();
  const other = (await sessionCookie({ id: 's2', who: 'R.', confirmedAt: 5 }, true)).split(';')[0];
  await setPasscode(at.db, 'four brass taps');
  setDoor(await doorOf());
  expect([await sessionIn(other), await sessionIn(null)]).toEqual([undefined, undefined]);
});

test('wrong passcodes wait longer and longer, by address and in all; a restart forgets none; an hour does', async () => {
  const HOUR = 3_600_000;
  const waits = async (from: string, times: number, now: number) => {
    const found: number[] = [];
    for (let i = 0; i < times; i++) found.push(await tryPasscode(at.db, from, now));
    return found;
  };
  expect(await waits('a', 6, 0)).toEqual([0, 0, 0, 0, 0, 1]);
  expect(await waits('a', 2, 1000)).toEqual([0, 2]);
  // As another process on the same data finds it.
  const { db, client } = await openDatabase(`file:${at.folder}/shop.db`);
  expect([await tryPasscode(db, 'a', 1500), await tryPasscode(db, 'b', 1500)]).toEqual([2, 0]);
  client.close();
  await passcodeWasRight(at.db, 'a', 1500);
  expect(await waits('a', 1, 1500)).toEqual([0]);
  // 40 more from as many addresses: then those of others wait too.
  for (let i = 0; i < 40; i++) await tryPasscode(at.db, `bot ${i}`, 2000);
  expect(await tryPasscode(at.db, 'one more', 2000)).toBeGreaterThan(0);
  // A tablet that was signed in before is not among them, and has its own five.
  setDoor(await doorOf());
  const cookie = deviceCookie('tablet-at-the-lathe', true).split(';')[0];
  expect([knownDevice(`a=1; ${cookie}`), knownDevice(cookie.slice(0, -2)), knownDevice(null)]).toEqual([
    'tablet-at-the-lathe',
    undefined,
    undefined,
  ]);
  const request = (cookies: string) =>
    new Request('http://shop', { headers: { cookie: cookies, [REMOTE]: 'one more' } });
  await setPasscode(at.db, 'three brass taps');
  const tried = async (cookies: string, passcode: string) =>
    (await refusal(checkPasscode(at.db, request(cookies), passcode, 2000))).status;
  expect([await tried('', 'wrong'), await tried(cookie, 'wrong')]).toEqual([429, 401]);
  await checkPasscode(at.db, request(cookie), 'three brass taps', 2000);
  expect(await tried('', 'three brass taps')).toBe(429);
  expect(await waits('one more', 1, 2000 + 2 * HOUR)).toEqual([0]);
});

test('a session is asked for wherever there is a passcode or a name on the network, whatever Host says', async () => {
  const free = { guarded: false, locked: false, key: '', nameKey: '', isEnded: () => Promise.resolve(false) };
  const asked = (over: object, headers: Record<string, string>): boolean => {
    setDoor({ ...free, ...over });
    return needsSession(new Headers({ host: 'localhost', ...headers }));
  };
  expect([asked({}, { [OWN]: '1' }), asked({}, {})]).toEqual([false, true]);
  expect([asked({ locked: true }, { [OWN]: '1' }), asked({ guarded: true }, { [OWN]: '1' })]).toEqual([true, true]);
});

test('the crib asks for the passcode again only where the shop says so, and not within ten minutes', async () => {
  await setPasscode(at.db, 'three brass taps');
  setDoor(await doorOf());
  const request = async (minutesAgo: number): Promise<Request> => {
    const cookie = await sessionCookie({ id: 's3', who: '', confirmedAt: Date.now() - 60_000 * minutesAgo }, false);
    return { headers: new Headers({ cookie: cookie.split(';')[0] }) } as Request;
  };
  await mayChangeCrib(at.db, await request(60));
  await setGuardsCrib(at.db, true);
  await mayChangeCrib(at.db, await request(9));
  expect((await refusal(mayChangeCrib(at.db, await request(11)))).errors[0].code).toBe('passcode-again');
});

test('this computer’s own addresses', () => {
  expect(
    ['127.0.0.1', 'localhost:3000', '::1', '[::1]:80', '0.0.0.0', '192.168.1.4', '::', null].map(isLoopback),
  ).toEqual([true, true, true, true, false, false, false, false]);
});
