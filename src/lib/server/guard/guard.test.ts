import { describe, expect, it, vi } from 'vitest';
import { db, reopen } from '../../../../tests/support/database';
import { storedFirm } from '../store';
import {
	beginSession,
	deviceOf,
	endEverySession,
	endSession,
	isEnough,
	isForeign,
	isLoopback,
	isServed,
	LONGEST_PASSPHRASE,
	markDevice,
	pageRole,
	placeOf,
	roleOf,
	ROLES,
	sessionRole,
	signInWanted,
	startRefusal,
	takePassphrases,
	Tries
} from '.';

const OFFICE = 'seven lamps on a quay';
const READER = 'only looking, thank you';
const environment = (office?: string, reader?: string): NodeJS.ProcessEnv => ({
	...(office === undefined ? {} : { FOND_QUARTER_PASSPHRASE: office }),
	...(reader === undefined ? {} : { FOND_QUARTER_PASSPHRASE_READER: reader })
});

describe('who may reach the program', () => {
	it('starts without a passphrase on this machine only, and for others only under an address', () => {
		for (const HOST of ['127.0.0.1', 'localhost', '::1', '127.0.0.53']) {
			expect(isLoopback(HOST)).toBe(true);
			expect(startRefusal({ HOST })).toBeNull();
		}
		for (const HOST of ['0.0.0.0', '192.168.1.4', '::', '127.0.0.1.example.com', undefined])
			expect(startRefusal(HOST === undefined ? {} : { HOST })).toMatch(
				/set FOND_QUARTER_PASSPHRASE to a passphrase/
			);
		const others = { HOST: '0.0.0.0', FOND_QUARTER_PASSPHRASE: OFFICE };
		expect(startRefusal(others)).toMatch(/set ORIGIN to the address that they type/);
		expect(startRefusal({ ...others, ORIGIN: 'heating' })).toMatch(/"heating" is none/);
		expect(startRefusal({ ...others, ORIGIN: 'https://heating.example.com' })).toBeNull();
		expect(startRefusal({ HOST: '127.0.0.1', FOND_QUARTER_PASSPHRASE: 'short' })).toMatch(/too short/);
		expect(startRefusal({ HOST: '127.0.0.1', FOND_QUARTER_PASSPHRASE: 'x'.repeat(401) })).toMatch(/too long/);
	});

	it('opens to a passphrase by its role, and to nothing else; the environment keeps none', async () => {
		const given = environment(OFFICE, READER);
		await takePassphrases(db, given);
		expect(given).toEqual({});
		expect(signInWanted()).toBe(true);
		expect(await roleOf(OFFICE)).toBe('office');
		expect(await roleOf(READER)).toBe('reader');
		for (const wrong of ['Seven lamps on a quay', '', 'x'.repeat(LONGEST_PASSPHRASE + 1)])
			expect(await roleOf(wrong)).toBeNull();
		expect(JSON.stringify(await db.settings.all())).not.toContain(OFFICE);
	});

	it('computes nothing of a passphrase of megabytes', async () => {
		await takePassphrases(db, environment(OFFICE));
		const normalised = vi.spyOn(String.prototype, 'normalize');
		expect(await roleOf('\u1e69'.repeat(3_000_000))).toBeNull();
		expect(normalised).not.toHaveBeenCalled();
		normalised.mockRestore();
	});

	it('signs out whoever came by a passphrase that was changed or taken away, and nobody else', async () => {
		await takePassphrases(db, environment(OFFICE, READER));
		const [office, reader] = [await beginSession(db, 'office'), await beginSession(db, 'reader')];
		await reopen();
		await takePassphrases(db, environment(OFFICE, READER));
		expect([await sessionRole(db, office), await sessionRole(db, reader)]).toEqual(['office', 'reader']);
		await takePassphrases(db, environment(OFFICE, 'another to look with'));
		expect([await sessionRole(db, office), await sessionRole(db, reader)]).toEqual(['office', null]);
		await takePassphrases(db, environment());
		expect([await sessionRole(db, office), signInWanted()]).toEqual([null, false]);
	});

	it('lets in by rank, and into a page that nobody was named for nobody', () => {
		expect(ROLES.map((role) => isEnough(role, 'installer'))).toEqual([true, true, false]);
		expect([isEnough(null, 'anyone'), isEnough(null, 'reader')]).toEqual([true, false]);
		expect(pageRole('/firm', 'GET')).toBe('office');
		expect(pageRole('/firm', 'POST')).toBeNull();
		expect(pageRole('/sign-in', 'POST')).toBe('anyone');
		for (const route of ['/new', '/sites', '/firm/', 'constructor', '__proto__'])
			expect(pageRole(route, 'GET'), route).toBeNull();
	});

	it('answers to its own names alone', () => {
		const own = 'https://heating.example.com';
		for (const host of ['localhost:4610', '127.0.0.1:4610', '[::1]:4610', 'heating.example.com', 'LOCALHOST'])
			expect(isServed(host, own), host).toBe(true);
		for (const host of [
			'evil.example.com:4610',
			'heating.example.com:4610',
			'localhost.evil.example.com',
			'',
			null
		])
			expect(isServed(host, own), String(host)).toBe(false);
		expect(isServed('box.example.com', undefined)).toBe(false);
	});

	it('does nothing for another site’s page, and on loopback all for its own under any of its names', () => {
		const own = 'http://127.0.0.1:4610';
		const asked = (
			origin: string | null,
			site: string | null = null,
			host = '127.0.0.1:4610',
			method = 'POST'
		) => isForeign(method, { origin, site, host }, own);
		expect(asked('http://evil.example.com')).toBe(true);
		expect(asked(null, 'cross-site')).toBe(true);
		expect(asked('null')).toBe(true);
		expect(asked('http://localhost:5000', null, 'localhost:4610')).toBe(true);
		expect(asked('http://localhost:4610', null, 'heating.example.com')).toBe(true);
		expect(asked(own, 'same-origin')).toBe(false);
		expect(asked('http://localhost:4610', 'same-origin', 'localhost:4610')).toBe(false);
		expect(asked('http://[::1]:4610', null, '[::1]:4610')).toBe(false);
		expect(asked('http://evil.example.com', 'cross-site', undefined, 'GET')).toBe(false);
	});
});

describe('tries of a passphrase', () => {
	const wrong = () => Promise.resolve(null);
	const stranger = (by: string) => ({ known: false, by });

	it('are counted by place and for all strangers together; a known device is counted by itself', async () => {
		const tries = new Tries();
		for (let i = 0; i < 5; i++) expect((await tries.make(stranger('a'), wrong, i)).kind).toBe('wrong');
		expect(await tries.make(stranger('a'), wrong, 10)).toEqual({ kind: 'wait', seconds: 60 });
		expect(tries.waitSeconds(stranger('b'), 10)).toBe(0);
		expect(tries.waitSeconds(stranger('a'), 60_001)).toBe(0);
		for (let i = 0; i < 60; i++) await tries.make(stranger(`x${i}`), wrong, 70_000);
		expect(tries.waitSeconds(stranger('never seen'), 70_001)).toBeGreaterThan(0);
		expect(await tries.make({ known: true, by: 'd' }, () => Promise.resolve(1), 70_001)).toEqual({
			kind: 'right',
			found: 1
		});
	});

	it('two hundred at once compute one, and leave the place its other tries', async () => {
		const tries = new Tries();
		let computed = 0;
		const slow = async () => {
			computed++;
			await new Promise((resolve) => setTimeout(resolve, 20));
			return null;
		};
		const all = await Promise.all(
			Array.from({ length: 200 }, (_, i) => tries.make(stranger(i % 2 ? 'a' : `x${i}`), slow))
		);
		expect(computed).toBe(1);
		expect(all.filter((one) => one.kind === 'busy')).toHaveLength(199);
		expect((await tries.make(stranger('a'), () => Promise.resolve('in'))).kind).toBe('right');
	});

	it('of one IPv6 network are of one place', () => {
		expect(placeOf('2001:db8:1:2:3:4:5:6')).toBe(placeOf('2001:db8:1:2:ffff::1'));
		expect(placeOf('2001:db8:1:2:3:4:5:6')).not.toBe(placeOf('2001:db8:1:3:3:4:5:6'));
		expect(placeOf('192.0.2.7')).toBe('192.0.2.7');
	});

	it('know a device by a mark that only this program gives', async () => {
		const mark = await markDevice(db);
		expect(await deviceOf(db, mark)).toBe(mark.split('.')[0]);
		for (const other of [undefined, '', 'a.b', `${mark}x`, `x${mark}`, `${mark}.c`])
			expect(await deviceOf(db, other)).toBeNull();
	});
});

describe('a session', () => {
	it('is known by its token until it ends, and the token is not in the database', async () => {
		const token = await beginSession(db, 'installer');
		expect(await sessionRole(db, token)).toBe('installer');
		expect(JSON.stringify(await db.sessions.all())).not.toContain(token);
		expect(await sessionRole(db, `${token}x`)).toBeNull();
		expect(await sessionRole(db, undefined)).toBeNull();
		await endSession(db, token);
		expect(await sessionRole(db, token)).toBeNull();
		const old = await beginSession(db, 'office');
		await db.write((tx) => tx.sessions.update({ endsAt: new Date(Date.now() - 1000) }, {}));
		expect(await sessionRole(db, old)).toBeNull();
		const all = [await beginSession(db, 'office'), await beginSession(db, 'reader')];
		await endEverySession(db);
		for (const one of all) expect(await sessionRole(db, one)).toBeNull();
		expect((await storedFirm(db)).revision).toBe(0);
	});
});
