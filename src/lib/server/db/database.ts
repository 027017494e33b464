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
	/** When the first thing of a visit not yet ended was noted. */
	visitOpenSince: Date | null;
}

/** A zone as a row; see {@link SiteRow}. `summary` is derived and may be thrown away. */
export interface ZoneRow {
	id: string;
	siteId: string;
	position: number;
	document: unknown;
	keyed: unknown;
	onSite: unknown;
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

/** A site's year of weather as a row; see {@link SiteRow}. */
export interface WeatherRow {
	siteId: string;
	document: unknown;
}

/** A visit as a row; see {@link SiteRow}. */
export interface VisitRow {
	id: string;
	siteId: string;
	document: unknown;
	at: Date;
}

/** A picture taken on a visit, as a row: a JPEG without anything but its pixels. */
export interface PictureRow {
	id: string;
	siteId: string;
	zoneName: string;
	visitAt: Date | null;
	caption: string;
	width: number;
	height: number;
	jpeg: Buffer;
	createdAt: Date;
}

/** A customer's read-only link as a row. */
export interface LinkRow {
	hash: string;
	siteId: string;
	createdAt: Date;
	endsAt: Date;
	revokedAt: Date | null;
}

/** A setting of this installation as a row; see {@link SiteRow}. */
export interface SettingRow {
	key: string;
	document: unknown;
}

/** Somebody signed in, as a row. */
export interface SessionRow {
	hash: string;
	role: string;
	createdAt: Date;
	endsAt: Date;
}

type Table<Row extends object> = ModelStatic<Model<Row, Partial<Row>>>;

export interface Database {
	readonly sequelize: Sequelize;
	readonly sites: Table<SiteRow>;
	readonly zones: Table<ZoneRow>;
	readonly controls: Table<ControlRow>;
	readonly weather: Table<WeatherRow>;
	readonly visits: Table<VisitRow>;
	readonly pictures: Table<PictureRow>;
	readonly links: Table<LinkRow>;
	readonly settings: Table<SettingRow>;
	readonly sessions: Table<SessionRow>;
	/** The folder that holds the database. */
	readonly folder: string;
	/** Runs work in one transaction that takes the write lock at once, after those asked for before. Never within itself. */
	write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
	close(): Promise<void>;
}

function defineTables(sequelize: Sequelize): Omit<Database, 'sequelize' | 'write' | 'close' | 'folder'> {
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
		{
			id: key,
			...common,
			profiles: { type: DataTypes.JSON, allowNull: false },
			visitOpenSince: { type: DataTypes.DATE, allowNull: true }
		},
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
			onSite: { type: DataTypes.JSON, allowNull: false },
			summary: { type: DataTypes.JSON, allowNull: true }
		},
		{ tableName: 'zones', timestamps: false }
	) as unknown as Table<ZoneRow>;
	const controls = sequelize.define(
		'control',
		{ ...common, id: { type: DataTypes.STRING(60), primaryKey: true } },
		{ tableName: 'controls', timestamps: false }
	) as unknown as Table<ControlRow>;
	const weather = sequelize.define(
		'weather',
		{
			siteId: { type: DataTypes.STRING(36), primaryKey: true },
			document: { type: DataTypes.JSON, allowNull: false }
		},
		{ tableName: 'weather', timestamps: false }
	) as unknown as Table<WeatherRow>;
	const date = { type: DataTypes.DATE, allowNull: false };
	const site = { type: DataTypes.STRING(36), allowNull: false };
	const visits = sequelize.define(
		'visit',
		{
			id: { type: DataTypes.STRING(36), primaryKey: true },
			siteId: { ...site },
			document: { type: DataTypes.JSON, allowNull: false },
			at: { ...date }
		},
		{ tableName: 'visits', timestamps: false }
	) as unknown as Table<VisitRow>;
	const pictures = sequelize.define(
		'picture',
		{
			id: { type: DataTypes.STRING(36), primaryKey: true },
			siteId: { ...site },
			zoneName: { type: DataTypes.STRING(80), allowNull: false },
			visitAt: { type: DataTypes.DATE, allowNull: true },
			caption: { type: DataTypes.STRING(400), allowNull: false },
			width: { type: DataTypes.INTEGER, allowNull: false },
			height: { type: DataTypes.INTEGER, allowNull: false },
			jpeg: { type: DataTypes.BLOB, allowNull: false },
			createdAt: { ...date }
		},
		{ tableName: 'pictures', timestamps: false }
	) as unknown as Table<PictureRow>;
	const links = sequelize.define(
		'link',
		{
			hash: { type: DataTypes.STRING(64), primaryKey: true },
			siteId: { ...site },
			createdAt: { ...date },
			endsAt: { ...date },
			revokedAt: { type: DataTypes.DATE, allowNull: true }
		},
		{ tableName: 'links', timestamps: false }
	) as unknown as Table<LinkRow>;
	const settings = sequelize.define(
		'setting',
		{
			key: { type: DataTypes.STRING(40), primaryKey: true },
			document: { type: DataTypes.JSON, allowNull: false }
		},
		{ tableName: 'settings', timestamps: false }
	) as unknown as Table<SettingRow>;
	const sessions = sequelize.define(
		'session',
		{
			hash: { type: DataTypes.STRING(64), primaryKey: true },
			role: { type: DataTypes.STRING(10), allowNull: false },
			createdAt: { ...date },
			endsAt: { ...date }
		},
		{ tableName: 'sessions', timestamps: false }
	) as unknown as Table<SessionRow>;
	return { sites, zones, controls, weather, visits, pictures, links, settings, sessions };
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
		// SQLite itself waits for a held database (busy_timeout): asked once, a person hears after five seconds
		retry: { max: 1 },
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
	// one after the other: SQLite has one writer, and those who wait for it here hold no connection up
	let last: Promise<unknown> = Promise.resolve();
	const write = <T>(work: (transaction: Transaction) => Promise<T>): Promise<T> => {
		const run = last.then(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work));
		last = run.catch(() => undefined);
		return run;
	};
	return {
		sequelize,
		...defineTables(sequelize),
		folder: dataFolder,
		write,
		async close() {
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
