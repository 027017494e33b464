import {
	DataTypes,
	QueryTypes,
	type CreationAttributes,
	type Model,
	type ModelAttributeColumnOptions,
	type ModelStatic,
	type Sequelize,
	type Transaction,
	type WhereOptions
} from 'sequelize';
import type {
	BoxRow,
	CallRow,
	ControlRow,
	HeardRow,
	LinkRow,
	PictureRow,
	SessionRow,
	SettingRow,
	SiteRow,
	VisitRow,
	WeatherRow,
	ZoneRow
} from './rows';

/** How rows are found, and in which order and with which columns they come. */
export interface Finding<Row> {
	readonly where?: WhereOptions<Row>;
	readonly order?: readonly (readonly [keyof Row & string, 'ASC' | 'DESC'])[];
	readonly without?: readonly (keyof Row & string)[];
}

/** A table as anybody may read it. */
export interface Reads<Row> {
	get(key: string): Promise<Row | null>;
	one(where: WhereOptions<Row>): Promise<Row | null>;
	all(finding?: Finding<Row>): Promise<Row[]>;
	count(where: WhereOptions<Row>): Promise<number>;
}

/** A table inside a transaction: the only place from which it is written. Counts are of rows changed. */
export interface Writes<Row> extends Reads<Row> {
	create(...rows: readonly Row[]): Promise<void>;
	/** Creates the row, or puts it in the place of the one with its key. */
	put(row: Row): Promise<void>;
	update(values: Partial<Row>, where: WhereOptions<Row>): Promise<number>;
	remove(where: WhereOptions<Row>): Promise<number>;
}

interface Rows {
	readonly sites: SiteRow;
	readonly boxes: BoxRow;
	readonly zones: ZoneRow;
	readonly controls: ControlRow;
	readonly weather: WeatherRow;
	readonly visits: VisitRow;
	readonly calls: CallRow;
	readonly pictures: PictureRow;
	readonly links: LinkRow;
	readonly settings: SettingRow;
	readonly sessions: SessionRow;
	readonly heard: HeardRow;
}

interface Asking {
	/** Rows of a SELECT, with `:named` replacements. */
	query<T extends object>(sql: string, replacements?: Readonly<Record<string, unknown>>): Promise<T[]>;
}

/** What can be read: the whole database, or a transaction's view of it. */
export type Readable = { readonly [Name in keyof Rows]: Reads<Rows[Name]> } & Asking;

/** A transaction that writes. */
export type Tx = { readonly [Name in keyof Rows]: Writes<Rows[Name]> } & Asking;

type Column = ModelAttributeColumnOptions;
const text = (length: number): Column => ({ type: DataTypes.STRING(length), allowNull: false });
const keyed = (length: number): Column => ({ ...text(length), primaryKey: true });
const maybe = (column: Column): Column => ({ ...column, allowNull: true });
/** A fresh description each time: Sequelize writes into what it is given. */
const json = (): Column => ({ type: DataTypes.JSON, allowNull: false });
const date = (): Column => ({ type: DataTypes.DATE, allowNull: false });
const whole = (): Column => ({ type: DataTypes.INTEGER, allowNull: false });

const columns: { readonly [Name in keyof Rows]: () => Record<keyof Rows[Name], Column> } = {
	sites: () => ({
		id: keyed(36),
		document: json(),
		profiles: json(),
		revision: whole(),
		createdAt: date(),
		updatedAt: date(),
		deletedAt: maybe(date()),
		visitOpenSince: maybe(date())
	}),
	boxes: () => ({
		id: keyed(36),
		siteId: text(36),
		document: json(),
		notes: maybe(json()),
		onSite: json(),
		createdAt: date()
	}),
	zones: () => ({
		id: keyed(36),
		siteId: text(36),
		boxId: text(36),
		position: whole(),
		document: json(),
		onSite: json(),
		summary: maybe(json()),
		revision: whole(),
		createdAt: date(),
		updatedAt: date(),
		deletedAt: maybe(date()),
		plannedAt: maybe(date()),
		plannedBy: maybe(text(80))
	}),
	controls: () => ({
		id: keyed(60),
		document: json(),
		revision: whole(),
		createdAt: date(),
		updatedAt: date(),
		deletedAt: maybe(date())
	}),
	weather: () => ({ siteId: keyed(36), document: json() }),
	visits: () => ({ id: keyed(36), siteId: text(36), document: json(), at: date() }),
	calls: () => ({
		id: keyed(36),
		siteId: text(36),
		zoneId: text(36),
		document: json(),
		at: date(),
		byCustomer: { type: DataTypes.BOOLEAN, allowNull: false },
		takenAt: maybe(date()),
		closedAt: maybe(date()),
		revision: whole()
	}),
	pictures: () => ({
		id: keyed(36),
		siteId: text(36),
		zoneName: text(80),
		visitAt: maybe(date()),
		caption: text(400),
		width: whole(),
		height: whole(),
		jpeg: { type: DataTypes.BLOB, allowNull: false },
		createdAt: date()
	}),
	links: () => ({
		hash: keyed(64),
		siteId: text(36),
		dwelling: text(80),
		createdAt: date(),
		endsAt: date(),
		revokedAt: maybe(date())
	}),
	settings: () => ({ key: keyed(40), document: json(), revision: whole() }),
	sessions: () => ({ hash: keyed(64), role: text(10), createdAt: date(), endsAt: date() }),
	heard: () => ({
		siteId: keyed(36),
		place: keyed(60),
		device: keyed(64),
		number: { type: DataTypes.BIGINT, allowNull: false },
		at: date()
	})
};

function bound<Row extends object>(
	table: ModelStatic<Model<Row, Row>>,
	transaction: Transaction | null
): Writes<Row> {
	const of = transaction ? { transaction } : {};
	const plain = (row: Model<Row, Row> | null) => row && row.get();
	return {
		get: async (key) => plain(await table.findByPk(key, of)),
		one: async (where) => plain(await table.findOne({ where, ...of })),
		all: async ({ where = {}, order = [], without = [] } = {}) =>
			(
				await table.findAll({
					where,
					order: order.map(([column, way]) => [column, way] as [string, string]),
					attributes: { exclude: [...without] },
					...of
				})
			).map((row) => row.get()),
		count: (where) => table.count({ where, ...of }),
		create: async (...rows) =>
			void (await table.bulkCreate([...rows] as unknown as CreationAttributes<Model<Row, Row>>[], of)),
		put: async (row) => void (await table.upsert(row as unknown as CreationAttributes<Model<Row, Row>>, of)),
		update: async (values, where) => (await table.update(values, { where, ...of }))[0],
		remove: (where) => table.destroy({ where, ...of })
	};
}

/** The tables of a database, to be read; and the same within a transaction, to be written. */
export function defineTables(sequelize: Sequelize): (transaction: Transaction | null) => Tx {
	const tables = Object.entries(columns).map(
		([name, of]) =>
			[
				name,
				sequelize.define(name, (of as () => Record<string, Column>)(), {
					tableName: name,
					timestamps: false
				}) as ModelStatic<Model<object, object>>
			] as const
	);
	return (transaction) => ({
		...(Object.fromEntries(
			tables.map(([name, table]) => [name, bound(table, transaction)])
		) as unknown as Omit<Tx, 'query'>),
		query: (sql, replacements = {}) =>
			sequelize.query(sql, {
				type: QueryTypes.SELECT,
				replacements: { ...replacements },
				...(transaction ? { transaction } : {})
			})
	});
}
