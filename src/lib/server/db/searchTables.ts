/**
 * The words of sites, zones and visits, kept by the database itself: a plain table of texts, an FTS5 index over it
 * (sqlite.org, fts5.html §4.4.3, external content), and triggers that follow every change. Part of migration
 * 0006: never edited once released.
 */

const siteText = (row: string) =>
	`(${row}.document ->> '$.name') || ' ' || (${row}.document ->> '$.place') || ' ' || (${row}.document ->> '$.note')`;

const zoneText = (row: string) =>
	`(${row}.document ->> '$.name') || ' ' || (${row}.document ->> '$.note') || ' ' || replace(${row}.document ->> '$.control', '-', ' ')
		|| ' ' || coalesce(${row}.onSite ->> '$.foundNote', '') || ' ' || coalesce(${row}.onSite ->> '$.promised', '')
		|| ' ' || coalesce((SELECT document ->> '$.name' FROM sites WHERE id = ${row}.siteId), '')`;

/** A visit's words: its note, who made it, what was found and promised, the reasons with which checks were overruled. */
const visitText = (row: string) =>
	`(${row}.document ->> '$.note') || ' ' || (${row}.document ->> '$.who') || ' ' || coalesce((
		SELECT group_concat(coalesce(z.value ->> '$.onSite.foundNote', '') || ' ' || coalesce(z.value ->> '$.onSite.promised', '')
			|| ' ' || coalesce((SELECT group_concat(c.value ->> '$.reason', ' ') FROM json_each(z.value, '$.checks') c), ''), ' ')
		FROM json_each(${row}.document, '$.zones') z), '')`;

interface Source {
	readonly kind: 'site' | 'zone' | 'visit';
	readonly table: string;
	readonly siteId: string;
	/** The columns whose change changes the words. */
	readonly columns: string;
	readonly text: (row: string) => string;
}
const sources: readonly Source[] = [
	{ kind: 'site', table: 'sites', siteId: 'id', columns: 'document', text: siteText },
	{ kind: 'zone', table: 'zones', siteId: 'siteId', columns: 'document, onSite', text: zoneText },
	{ kind: 'visit', table: 'visits', siteId: 'siteId', columns: 'document', text: visitText }
];

export const searchUp: readonly string[] = [
	`CREATE TABLE searchable (id INTEGER PRIMARY KEY, kind TEXT NOT NULL, ofId TEXT NOT NULL UNIQUE, siteId TEXT NOT NULL, text TEXT NOT NULL)`,
	`CREATE VIRTUAL TABLE searchable_words USING fts5(text, content='searchable', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='2 3')`,
	`CREATE TRIGGER searchable_added AFTER INSERT ON searchable BEGIN
		INSERT INTO searchable_words (rowid, text) VALUES (NEW.id, NEW.text); END`,
	`CREATE TRIGGER searchable_removed AFTER DELETE ON searchable BEGIN
		INSERT INTO searchable_words (searchable_words, rowid, text) VALUES ('delete', OLD.id, OLD.text); END`,
	`CREATE TRIGGER searchable_changed AFTER UPDATE OF text ON searchable BEGIN
		INSERT INTO searchable_words (searchable_words, rowid, text) VALUES ('delete', OLD.id, OLD.text);
		INSERT INTO searchable_words (rowid, text) VALUES (NEW.id, NEW.text); END`,
	...sources.flatMap(({ kind, table, siteId, columns, text }) => [
		`INSERT INTO searchable (kind, ofId, siteId, text) SELECT '${kind}', r.id, r.${siteId}, ${text('r')} FROM ${table} r`,
		`CREATE TRIGGER ${table}_words_added AFTER INSERT ON ${table} BEGIN
			INSERT INTO searchable (kind, ofId, siteId, text) VALUES ('${kind}', NEW.id, NEW.${siteId}, ${text('NEW')}); END`,
		`CREATE TRIGGER ${table}_words_changed AFTER UPDATE OF ${columns} ON ${table} BEGIN
			UPDATE searchable SET text = ${text('NEW')} WHERE ofId = NEW.id AND text IS NOT ${text('NEW')}; END`,
		`CREATE TRIGGER ${table}_words_removed AFTER DELETE ON ${table} BEGIN
			DELETE FROM searchable WHERE ofId = OLD.id; END`
	]),
	// a zone is found by the name of its site too
	`CREATE TRIGGER sites_name_changed AFTER UPDATE OF document ON sites
		WHEN (OLD.document ->> '$.name') IS NOT (NEW.document ->> '$.name') BEGIN
		UPDATE searchable SET text = (SELECT ${zoneText('z')} FROM zones z WHERE z.id = searchable.ofId)
		WHERE kind = 'zone' AND siteId = NEW.id; END`,
	`CREATE INDEX searchable_site ON searchable (siteId)`
];

export const searchDown: readonly string[] = [
	'DROP TRIGGER sites_name_changed',
	...sources.flatMap(({ table }) =>
		['added', 'changed', 'removed'].map((what) => `DROP TRIGGER ${table}_words_${what}`)
	),
	'DROP TABLE searchable_words',
	'DROP TABLE searchable'
];
