import { mkdirSync } from 'node:fs';
import path from 'node:path';
import { DataTypes, Sequelize, Transaction, type Model, type ModelStatic } from 'sequelize';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations';

/** A site as a row. JSON columns are read through a schema by the repositories, never trusted. */
export interface SiteRow {
	id: string;
	document: unknown;
	profiles: unknown;
	revision: number;
	createdAt: Date;
	updatedAt: Date;
	deletedAt: Date | null;
}

/** A zone as a row; see {@link SiteRow}. `summary` is derived and may be thrown away. */
export interface ZoneRow {
	id: string;
	siteId: string;
	position: number;
	document: unknown;
	keyed: unknown;
	summary: unknown;
	revision: number;
	createdAt: Date;
	updatedAt: Date;
	deletedAt: Date | null;
}

/** A control profile of this installation's own as a row; see {@link SiteRow}. */
export interface ControlRow {
	id: string;
	document: unknown;
	revision: number;
	createdAt: Date;
	updatedAt: Date;
	deletedAt: Date | null;
}

type Table<Row extends object> = ModelStatic<Model<Row, Partial<Row>>>;

export interface Database {
	readonly sequelize: Sequelize;
	readonly sites: Table<SiteRow>;
	readonly zones: Table<ZoneRow>;
	readonly controls: Table<ControlRow>;
	/** Runs work in one transaction that takes the write lock at once. */
	write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
	close(): Promise<void>;
}

function defineTables(sequelize: Sequelize): Pick<Database, 'sites' | 'zones' | 'controls'> {
	const key = { type: DataTypes.STRING(36), primaryKey: true };
	const common = {
		document: { type: DataTypes.JSON, allowNull: false },
		revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
		createdAt: { type: DataTypes.DATE, allowNull: false },
		updatedAt: { type: DataTypes.DATE, allowNull: false },
		deletedAt: { type: DataTypes.DATE, allowNull: true }
	};
	const sites = sequelize.define(
		'site',
		{ id: key, ...common, profiles: { type: DataTypes.JSON, allowNull: false } },
		{ tableName: 'sites', timestamps: false }
	) as unknown as Table<SiteRow>;
	const zones = sequelize.define(
		'zone',
		{
			id: key,
			...common,
			siteId: { type: DataTypes.STRING(36), allowNull: false },
			position: { type: DataTypes.INTEGER, allowNull: false },
			keyed: { type: DataTypes.JSON, allowNull: false },
			summary: { type: DataTypes.JSON, allowNull: true }
		},
		{ tableName: 'zones', timestamps: false }
	) as unknown as Table<ZoneRow>;
	const controls = sequelize.define(
		'control',
		{ ...common, id: { type: DataTypes.STRING(60), primaryKey: true } },
		{ tableName: 'controls', timestamps: false }
	) as unknown as Table<ControlRow>;
	return { sites, zones, controls };
}

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

/**
 * Opens (and creates where missing) the database in a data folder: write-ahead log, foreign keys on,
 * every commit on the disk before it is answered. Brings its shape up to date.
 */
export async function openDatabase(dataFolder: string): Promise<Database> {
	mkdirSync(dataFolder, { recursive: true });
	const sequelize = new Sequelize({
		dialect: 'sqlite',
		storage: path.join(dataFolder, 'fond-quarter.sqlite'),
		logging: false,
		transactionType: Transaction.TYPES.IMMEDIATE
	});
	prepareConnections(sequelize);
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
	return {
		sequelize,
		...defineTables(sequelize),
		write: (work) => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work),
		close: () => sequelize.close()
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
