import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { openDatabase, type Database } from '../db';
import {
	beginSession,
	endSession,
	isForeign,
	isLoopback,
	isOpen,
	roleRefusal,
	sessionRole,
	startRefusal,
	Tries
} from '.';

describe('who may reach the program', () => {
	it('starts without a passphrase on this machine only', () => {
		for (const HOST of ['127.0.0.1', 'localhost', '::1']) {
			expect(isLoopback(HOST)).toBe(true);
			expect(startRefusal({ HOST })).toBeNull();
		}
		for (const HOST of ['0.0.0.0', '192.168.1.4', '::', undefined])
			expect(startRefusal(HOST === undefined ? {} : { HOST })).toMatch(
				/set FOND_QUARTER_PASSPHRASE to a passphrase/
			);
		expect(startRefusal({ HOST: '0.0.0.0', FOND_QUARTER_PASSPHRASE: 'seven lamps on a quay' })).toBeNull();
		expect(startRefusal({ HOST: '127.0.0.1', FOND_QUARTER_PASSPHRASE: 'short' })).toMatch(/too short/);
	});

	it('opens to a passphrase by its role, and to nothing else', async () => {
		vi.stubEnv('FOND_QUARTER_PASSPHRASE', 'seven lamps on a quay');
		vi.stubEnv('FOND_QUARTER_PASSPHRASE_READER', 'only looking, thank you');
		vi.resetModules();
		const { roleOf } = await import('./passphrases');
		expect(await roleOf('seven lamps on a quay')).toBe('office');
		expect(await roleOf('only looking, thank you')).toBe('reader');
		expect(await roleOf('Seven lamps on a quay')).toBeNull();
		expect(await roleOf('')).toBeNull();
		vi.unstubAllEnvs();
	});

	it('lets strangers reach the sign-in, a customer’s link, the health and the assets, nothing beside them', () => {
		for (const path of [
			'/sign-in',
			'/c/abc',
			'/api/health',
			'/_app/immutable/x.js',
			'/service-worker.js',
			'/mark.svg'
		])
			expect(isOpen(path), path).toBe(true);
		for (const path of [
			'/',
			'/sites/x',
			'/api/v1/jobs',
			'/c/abc/more',
			'/api/health/x',
			'/due',
			'/firm',
			'/sites/x.svg/y'
		])
			expect(isOpen(path), path).toBe(false);
	});

	it('lets a reader look and compute, an installer work, the office everything', () => {
		expect(roleRefusal('reader', 'GET', '/api/v1/jobs')).toBeNull();
		expect(roleRefusal('reader', 'POST', '/api/v1/fit')).toBeNull();
		expect(roleRefusal('reader', 'PUT', '/api/v1/jobs/x')).toMatch(/read only/);
		expect(roleRefusal('installer', 'PUT', '/api/v1/jobs/x')).toBeNull();
		expect(roleRefusal('installer', 'POST', '/api/v1/backup')).toMatch(/Only the office/);
		expect(roleRefusal('installer', 'PUT', '/api/v1/firm')).toMatch(/Only the office/);
		expect(roleRefusal('office', 'POST', '/api/v1/backup')).toBeNull();
	});

	it('does nothing for another site’s page', () => {
		const own = 'http://box.example.com:4610';
		expect(isForeign('POST', 'http://evil.example.com', null, own)).toBe(true);
		expect(isForeign('DELETE', null, 'cross-site', own)).toBe(true);
		expect(isForeign('POST', 'null', null, own)).toBe(true);
		expect(isForeign('POST', own, 'same-origin', own)).toBe(false);
		expect(isForeign('GET', 'http://evil.example.com', 'cross-site', own)).toBe(false);
	});

	it('makes an address wait after five wrong tries, and everybody after sixty', () => {
		const tries = new Tries();
		for (let i = 0; i < 5; i++) {
			expect(tries.waitSeconds('a', i)).toBe(0);
			tries.wrong('a', i);
		}
		expect(tries.waitSeconds('a', 10)).toBe(60);
		expect(tries.waitSeconds('b', 10)).toBe(0);
		expect(tries.waitSeconds('a', 60_001)).toBe(0);
		for (let i = 0; i < 60; i++) tries.wrong(`x${i}`, 70_000);
		expect(tries.waitSeconds('never seen', 70_001)).toBeGreaterThan(0);
	});
});

describe('a session', () => {
	let folder: string;
	let db: Database;
	beforeEach(async () => {
		folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-guard-'));
		db = await openDatabase(folder);
	});
	afterEach(async () => {
		await db.close();
		rmSync(folder, { recursive: true, force: true });
	});

	it('is known by its token until it ends, and the token is not in the database', async () => {
		const token = await beginSession(db, 'installer');
		expect(await sessionRole(db, token)).toBe('installer');
		expect(JSON.stringify(await db.sessions.findAll({ raw: true }))).not.toContain(token);
		expect(await sessionRole(db, `${token}x`)).toBeNull();
		expect(await sessionRole(db, undefined)).toBeNull();
		await endSession(db, token);
		expect(await sessionRole(db, token)).toBeNull();
		const old = await beginSession(db, 'office');
		await db.sessions.update({ endsAt: new Date(Date.now() - 1000) }, { where: {} });
		expect(await sessionRole(db, old)).toBeNull();
	});
});
