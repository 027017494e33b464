import { chmodSync, existsSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { QueryTypes, Sequelize, Transaction } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations';
import { defineTables, type Readable, type Tx } from './tables';
import { Unusable } from './trouble';

/** The program's database: read by anybody, written only inside {@link Database.write}. */
export type Database = Readable & {
	/** For migrations and copies only: whatever else is written goes through {@link Database.write}. */
	readonly sequelize: Sequelize;
	/** The folder that holds the database. */
	readonly folder: string;
	/** Runs work in one transaction that takes the write lock at once, after those asked for before. Never within itself. */
	write<T>(work: (tx: Tx) => Promise<T>): Promise<T>;
	/** Reads from one state of the database, whatever is written meanwhile. */
	snapshot<T>(work: (from: Readable) => Promise<T>): Promise<T>;
	/** From now on writes that have not begun are refused ({@link Stopping}): those who wait for them still hear so. */
	stopTaking(): void;
	/** Ends after the writes that were asked for; those asked for later are refused. */
	close(): Promise<void>;
};

/** Thrown by a write that came after the program was told to stop: nothing of it is stored. */
export class Stopping extends Error {}

interface SqliteConnection {
	run(sql: string, done: (error: Error | null) => void): void;
}

/** Sequelize's SQLite connections call no hook when they are made, so each is prepared when first handed out. */
function prepareConnections(sequelize: Sequelize): void {
	const manager = sequelize.connectionManager as unknown as {
		getConnection(options?: unknown): Promise<SqliteConnection>;
	};
	const hand = manager.getConnection.bind(manager);
	const prepared = new WeakMap<SqliteConnection, Promise<void>>();
	const prepare = async (connection: SqliteConnection) => {
		for (const pragma of [
			'busy_timeout = 5000',
			'journal_mode = WAL',
			'synchronous = FULL',
			'foreign_keys = ON'
		])
			await new Promise<void>((resolve, reject) =>
				connection.run(`PRAGMA ${pragma}`, (error) => (error ? reject(error) : resolve()))
			);
	};
	manager.getConnection = async (options) => {
		const connection = await hand(options);
		if (!prepared.has(connection)) prepared.set(connection, prepare(connection));
		await prepared.get(connection);
		return connection;
	};
}

/** Refuses a database whose pages are damaged, or that a later version of the program has changed the shape of: before anything of it is changed. */
async function refuseUnusable(sequelize: Sequelize): Promise<void> {
	const select = <T extends object>(sql: string) => sequelize.query<T>(sql, { type: QueryTypes.SELECT });
	const [check] = await select<{ quick_check: string }>('PRAGMA quick_check(1)');
	if (check?.quick_check !== 'ok') throw new Unusable('damaged', check?.quick_check ?? 'no answer');
	const [has] = await select("SELECT name FROM sqlite_master WHERE name = 'migrations'");
	if (!has) return;
	const known = new Set(migrations.map((migration) => migration.name));
	const later = (await select<{ name: string }>('SELECT name FROM migrations')).find(
		({ name }) => !known.has(name)
	);
	if (later) throw new Unusable('later', later.name);
}

/** Nobody else on this machine reads the database or what stands beside it. */
function keepPrivate(file: string): void {
	for (const one of [file, `${file}-wal`, `${file}-shm`]) if (existsSync(one)) chmodSync(one, 0o600);
}

/**
 * Opens (and creates where missing) the database in a data folder: write-ahead log, foreign keys on,
 * every commit on the disk before it is answered. Brings its shape up to date.
 */
export async function openDatabase(dataFolder: string): Promise<Database> {
	mkdirSync(dataFolder, { recursive: true, mode: 0o700 });
	// what is created from now on is its owner's alone, the side files of the database too
	process.umask(0o077);
	const file = path.join(dataFolder, 'fond-quarter.sqlite');
	keepPrivate(file);
	const sequelize = new Sequelize({
		dialect: 'sqlite',
		storage: file,
		logging: false,
		// SQLite itself waits for a held database (busy_timeout): asked once, a person hears after five seconds
		retry: { max: 1 },
		transactionType: Transaction.TYPES.IMMEDIATE
	});
	prepareConnections(sequelize);
	try {
		await refuseUnusable(sequelize);
	} catch (error) {
		await sequelize.close();
		throw error;
	}
	const umzug = new Umzug({
		migrations: migrations.map((migration) => ({
			name: migration.name,
			up: () => migration.up(sequelize.getQueryInterface()),
			down: () => migration.down(sequelize.getQueryInterface())
		})),
		storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
		logger: undefined
	});
	await umzug.up();
	const tables = defineTables(sequelize);
	// one after the other: SQLite has one writer, and those who wait for it here hold no connection up
	let last: Promise<unknown> = Promise.resolve();
	let closing = false;
	let taking = true;
	const write = <T>(work: (tx: Tx) => Promise<T>): Promise<T> => {
		if (closing) return Promise.reject(new Stopping());
		const run = last.then(() => {
			if (!taking) throw new Stopping();
			return sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, (transaction) =>
				work(tables(transaction))
			);
		});
		last = run.catch(() => undefined);
		return run;
	};
	return {
		sequelize,
		...tables(null),
		folder: dataFolder,
		write,
		snapshot: (work) =>
			sequelize.transaction({ type: Transaction.TYPES.DEFERRED }, (transaction) => work(tables(transaction))),
		stopTaking() {
			taking = false;
		},
		async close() {
			closing = true;
			await last;
			await sequelize.close();
		}
	};
}

let opened: Promise<Database> | undefined;

/** The program's own database, in the folder named by FOND_QUARTER_DATA (./data/own when unset). */
export function database(): Promise<Database> {
	opened ??= openDatabase(process.env.FOND_QUARTER_DATA ?? path.resolve('data', 'own')).catch((error) => {
		opened = undefined;
		throw error;
	});
	return opened;
}

/** Closes the program's own database if it is open. */
export async function closeDatabase(): Promise<void> {
	const current = opened;
	opened = undefined;
	if (current) await (await current).close();
}
