import { DataTypes, type QueryInterface } from 'sequelize';
import { notesBack, notesOfBoxes } from './notesOfBoxes';
import { boxesApart, boxesBack } from './boxesApart';
import { searchDown, searchUp } from './searchTables';

/** One change of the database's shape. A migration once released is never edited: the next one follows it. */
export interface Migration {
	readonly name: string;
	up(q: QueryInterface): Promise<void>;
	down(q: QueryInterface): Promise<void>;
}

const id = { type: DataTypes.STRING(36), primaryKey: true, allowNull: false };
const when = { type: DataTypes.DATE, allowNull: false };

export const migrations: readonly Migration[] = [
	{
		name: '0001-sites-and-zones',
		async up(q) {
			await q.createTable('sites', {
				id,
				document: { type: DataTypes.JSON, allowNull: false },
				profiles: { type: DataTypes.JSON, allowNull: false },
				revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
				createdAt: when,
				updatedAt: when,
				deletedAt: { type: DataTypes.DATE, allowNull: true }
			});
			await q.createTable('zones', {
				id,
				siteId: {
					type: DataTypes.STRING(36),
					allowNull: false,
					references: { model: 'sites', key: 'id' },
					onDelete: 'CASCADE'
				},
				position: { type: DataTypes.INTEGER, allowNull: false },
				document: { type: DataTypes.JSON, allowNull: false },
				keyed: { type: DataTypes.JSON, allowNull: false, defaultValue: {} },
				summary: { type: DataTypes.JSON, allowNull: true },
				revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
				createdAt: when,
				updatedAt: when,
				deletedAt: { type: DataTypes.DATE, allowNull: true }
			});
			await q.addIndex('zones', ['siteId', 'position']);
			await q.addIndex('sites', ['deletedAt']);
		},
		async down(q) {
			await q.dropTable('zones');
			await q.dropTable('sites');
		}
	},
	{
		name: '0002-own-controls',
		async up(q) {
			await q.createTable('controls', {
				id: { type: DataTypes.STRING(60), primaryKey: true, allowNull: false },
				document: { type: DataTypes.JSON, allowNull: false },
				revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
				createdAt: when,
				updatedAt: when,
				deletedAt: { type: DataTypes.DATE, allowNull: true }
			});
		},
		async down(q) {
			await q.dropTable('controls');
		}
	},
	{
		name: '0003-weather',
		async up(q) {
			await q.createTable('weather', {
				siteId: {
					type: DataTypes.STRING(36),
					primaryKey: true,
					allowNull: false,
					references: { model: 'sites', key: 'id' },
					onDelete: 'CASCADE'
				},
				document: { type: DataTypes.JSON, allowNull: false }
			});
		},
		async down(q) {
			await q.dropTable('weather');
		}
	},
	{
		name: '0004-record',
		async up(q) {
			await q.addColumn('zones', 'onSite', { type: DataTypes.JSON, allowNull: false, defaultValue: {} });
			await q.createTable('visits', {
				id,
				siteId: {
					type: DataTypes.STRING(36),
					allowNull: false,
					references: { model: 'sites', key: 'id' },
					onDelete: 'CASCADE'
				},
				document: { type: DataTypes.JSON, allowNull: false },
				at: when
			});
			await q.addIndex('visits', ['siteId', 'at']);
			await q.createTable('links', {
				/** The SHA-256 of the token: the token itself is nowhere but with the customer. */
				hash: { type: DataTypes.STRING(64), primaryKey: true, allowNull: false },
				siteId: {
					type: DataTypes.STRING(36),
					allowNull: false,
					references: { model: 'sites', key: 'id' },
					onDelete: 'CASCADE'
				},
				createdAt: when,
				endsAt: when,
				revokedAt: { type: DataTypes.DATE, allowNull: true }
			});
			await q.addIndex('links', ['siteId']);
		},
		async down(q) {
			await q.dropTable('links');
			await q.dropTable('visits');
			await q.removeColumn('zones', 'onSite');
		}
	},
	{
		name: '0005-firm-and-sessions',
		async up(q) {
			await q.createTable('settings', {
				key: { type: DataTypes.STRING(40), primaryKey: true, allowNull: false },
				document: { type: DataTypes.JSON, allowNull: false }
			});
			await q.createTable('sessions', {
				/** The SHA-256 of the token: the token itself is only in its cookie. */
				hash: { type: DataTypes.STRING(64), primaryKey: true, allowNull: false },
				role: { type: DataTypes.STRING(10), allowNull: false },
				createdAt: when,
				endsAt: when
			});
		},
		async down(q) {
			await q.dropTable('sessions');
			await q.dropTable('settings');
		}
	},
	{
		name: '0006-pictures-search-open-visits',
		async up(q) {
			/** When the first thing of a visit not yet ended was noted. */
			await q.addColumn('sites', 'visitOpenSince', { type: DataTypes.DATE, allowNull: true });
			await q.createTable('pictures', {
				id,
				siteId: {
					type: DataTypes.STRING(36),
					allowNull: false,
					references: { model: 'sites', key: 'id' },
					onDelete: 'CASCADE'
				},
				zoneName: { type: DataTypes.STRING(80), allowNull: false },
				/** The end of the visit it belongs to; null while that goes on. */
				visitAt: { type: DataTypes.DATE, allowNull: true },
				caption: { type: DataTypes.STRING(400), allowNull: false },
				width: { type: DataTypes.INTEGER, allowNull: false },
				height: { type: DataTypes.INTEGER, allowNull: false },
				jpeg: { type: DataTypes.BLOB, allowNull: false },
				createdAt: when
			});
			await q.addIndex('pictures', ['siteId', 'visitAt']);
			for (const statement of searchUp) await q.sequelize.query(statement);
		},
		async down(q) {
			for (const statement of searchDown) await q.sequelize.query(statement);
			await q.dropTable('pictures');
			await q.removeColumn('sites', 'visitOpenSince');
		}
	},
	{
		name: '0007-light-indexes',
		async up(q) {
			// a zone's row is long: what lists need of all zones is read from these alone
			await q.sequelize.query(
				'CREATE INDEX zones_light ON zones (deletedAt, position, id, siteId, updatedAt, revision)'
			);
			await q.sequelize.query(
				`CREATE INDEX zones_standing ON zones (deletedAt, siteId, summary ->> '$.done', summary ->> '$.of', summary ->> '$.version',
					(summary ->> '$.coldMinutes') + (summary ->> '$.warmMinutes'))`
			);
		},
		async down(q) {
			await q.sequelize.query('DROP INDEX zones_standing');
			await q.sequelize.query('DROP INDEX zones_light');
		}
	},
	{
		name: '0008-revisions-of-settings',
		async up(q) {
			await q.addColumn('settings', 'revision', {
				type: DataTypes.INTEGER,
				allowNull: false,
				defaultValue: 1
			});
		},
		async down(q) {
			await q.removeColumn('settings', 'revision');
		}
	},
	{
		name: '0009-who-planned',
		async up(q) {
			/** When a zone's plan was saved last, and who said that they did. */
			await q.addColumn('zones', 'plannedAt', { type: DataTypes.DATE, allowNull: true });
			await q.addColumn('zones', 'plannedBy', { type: DataTypes.STRING(80), allowNull: true });
		},
		async down(q) {
			// indexes over expressions stand on this table: the database drops the columns itself
			await q.sequelize.query('ALTER TABLE zones DROP COLUMN plannedBy');
			await q.sequelize.query('ALTER TABLE zones DROP COLUMN plannedAt');
		}
	},
	{
		name: '0010-controls-of-their-own',
		up: boxesApart,
		down: boxesBack
	},
	{
		name: '0011-calls',
		async up(q) {
			await q.createTable('calls', {
				id,
				siteId: {
					type: DataTypes.STRING(36),
					allowNull: false,
					references: { model: 'sites', key: 'id' },
					onDelete: 'CASCADE'
				},
				zoneId: { type: DataTypes.STRING(36), allowNull: false },
				document: { type: DataTypes.JSON, allowNull: false },
				at: when,
				byCustomer: { type: DataTypes.BOOLEAN, allowNull: false },
				takenAt: { type: DataTypes.DATE, allowNull: true },
				closedAt: { type: DataTypes.DATE, allowNull: true },
				revision: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 }
			});
			await q.addIndex('calls', ['siteId', 'at']);
			await q.addIndex('calls', ['closedAt']);
		},
		async down(q) {
			await q.dropTable('calls');
		}
	},
	{
		name: '0012-what-was-keyed',
		up: notesOfBoxes,
		down: notesBack
	},
	{
		name: '0013-heard',
		async up(q) {
			await q.createTable('heard', {
				siteId: {
					...id,
					references: { model: 'sites', key: 'id' },
					onDelete: 'CASCADE'
				},
				place: { type: DataTypes.STRING(60), primaryKey: true, allowNull: false },
				device: { type: DataTypes.STRING(64), primaryKey: true, allowNull: false },
				number: { type: DataTypes.BIGINT, allowNull: false },
				at: when
			});
		},
		async down(q) {
			await q.dropTable('heard');
		}
	},
	{
		name: '0014-who-lives-here',
		async up(q) {
			// who was ticked at any control, a programmer in the hall too, lives on its site
			await q.sequelize.query(`UPDATE sites SET document = json_set(document, '$.occupants', json((
				SELECT json_group_array(DISTINCT o.value) FROM zones z, json_each(z.onSite, '$.occupants') o WHERE z.siteId = sites.id)))
				WHERE EXISTS (SELECT 1 FROM zones z, json_each(z.onSite, '$.occupants') o WHERE z.siteId = sites.id)`);
		},
		async down(q) {
			await q.sequelize.query(`UPDATE sites SET document = json_remove(document, '$.occupants')`);
		}
	},
	{
		name: '0015-links-of-a-dwelling',
		async up(q) {
			await q.addColumn('links', 'dwelling', {
				type: DataTypes.STRING(80),
				allowNull: false,
				defaultValue: ''
			});
		},
		async down(q) {
			await q.removeColumn('links', 'dwelling');
		}
	}
];
