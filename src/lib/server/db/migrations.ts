import { DataTypes, type QueryInterface } from 'sequelize';

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
	}
];
