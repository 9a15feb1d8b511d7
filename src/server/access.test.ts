import { mayChangeCrib } from './access/at-the-door';
import { SlowedAttempts } from './access/attempts';
import { accessRow, isPasscode, setGuardsCrib, setPasscode } from './access/passcode';
import { door, sessionCookie, sessionIn, setDoor } from './access/session';
import { isLoopback } from './http/hosts';
import { refusal, shopDatabase } from './tests/shop-database';

const { at } = shopDatabase();

test('a passcode is kept as an argon2id hash; a new one ends every session', async () => {
  const before = await accessRow(at.db);
  expect([before.passcodeHash, await isPasscode(before, '')]).toEqual([null, false]);
  await expect(setPasscode(at.db, 'short')).rejects.toThrow('at least 8 characters');
  await setPasscode(at.db, 'three brass taps');
  const row = await accessRow(at.db);
  expect(row.passcodeHash).toMatch(/^\$argon2id\$/);
  expect([await isPasscode(row, 'three brass taps'), await isPasscode(row, 'three brass tap')]).toEqual([true, false]);
  setDoor({ guarded: true, locked: true, key: row.sessionKey });
  const cookie = (await sessionCookie({ who: 'R.', confirmedAt: 5 }, true)).split(';')[0];
  expect(await sessionIn(`other=1; ${cookie}`)).toMatchObject({ who: 'R.', confirmedAt: 5 });
  expect(await sessionIn(cookie.slice(0, -4))).toBeUndefined();
  await setPasscode(at.db, 'four brass taps');
  setDoor({ ...door(), key: (await accessRow(at.db)).sessionKey });
  expect([await sessionIn(cookie), await sessionIn(null)]).toEqual([undefined, undefined]);
});

test('wrong passcodes wait longer and longer, by address; a right one, or an hour, begins anew', () => {
  let now = 0;
  const attempts = new SlowedAttempts(() => now);
  const waits = [1, 2, 3, 4, 5, 6, 7].map(() => {
    attempts.wrong('a');
    return attempts.waitS('a');
  });
  expect([waits, attempts.waitS('b')]).toEqual([[0, 0, 0, 0, 1, 2, 4], 0]);
  for (let i = 0; i < 20; i++) attempts.wrong('a');
  expect(attempts.waitS('a')).toBe(300);
  now += 300_000;
  expect(attempts.waitS('a')).toBe(0);
  now += 3_600_001;
  attempts.wrong('a');
  expect(attempts.waitS('a')).toBe(0);
  for (let i = 0; i < 6; i++) attempts.wrong('a');
  attempts.right('a');
  expect(attempts.waitS('a')).toBe(0);
});

test('the crib asks for the passcode again only where the shop says so, and not within ten minutes', async () => {
  await setPasscode(at.db, 'three brass taps');
  setDoor({ guarded: true, locked: true, key: (await accessRow(at.db)).sessionKey });
  const request = async (minutesAgo: number): Promise<Request> => {
    const cookie = await sessionCookie({ who: '', confirmedAt: Date.now() - 60_000 * minutesAgo }, false);
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
