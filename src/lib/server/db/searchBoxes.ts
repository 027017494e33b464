/**
 * The words of zones once their controls are rows of their own (migration 0010, never edited once released): a zone is found by its
 * control's kind, name and place, and by what was found at it. What {@link ./searchTables} keeps of sites and visits stays.
 */

const zoneText = (row: string) =>
	`(${row}.document ->> '$.name') || ' ' || (${row}.document ->> '$.note') || ' ' || coalesce((SELECT
		replace(b.document ->> '$.control', '-', ' ') || ' ' || (b.document ->> '$.name') || ' ' || (b.document ->> '$.place')
		|| ' ' || (b.document ->> '$.note') || ' ' || coalesce(b.onSite ->> '$.foundNote', '') FROM boxes b WHERE b.id = ${row}.boxId), '')
		|| ' ' || coalesce(${row}.onSite ->> '$.promised', '')
		|| ' ' || coalesce((SELECT document ->> '$.name' FROM sites WHERE id = ${row}.siteId), '')`;

/** Leaves zones without words, so that their rows can be taken apart: {@link boxesSearched} gives them again. */
export const zonesUnsearched: readonly string[] = [
	'DROP TRIGGER sites_name_changed',
	'DROP TRIGGER zones_words_changed',
	'DROP TRIGGER zones_words_added'
];

export const boxesSearched: readonly string[] = [
	`CREATE TRIGGER zones_words_added AFTER INSERT ON zones BEGIN
		INSERT INTO searchable (kind, ofId, siteId, text) VALUES ('zone', NEW.id, NEW.siteId, ${zoneText('NEW')}); END`,
	`CREATE TRIGGER zones_words_changed AFTER UPDATE OF document, onSite, boxId ON zones BEGIN
		UPDATE searchable SET text = ${zoneText('NEW')} WHERE ofId = NEW.id AND text IS NOT ${zoneText('NEW')}; END`,
	`CREATE TRIGGER boxes_words_changed AFTER UPDATE OF document, onSite ON boxes BEGIN
		UPDATE searchable SET text = (SELECT ${zoneText('z')} FROM zones z WHERE z.id = searchable.ofId)
		WHERE ofId IN (SELECT id FROM zones WHERE boxId = NEW.id)
		AND text IS NOT (SELECT ${zoneText('z')} FROM zones z WHERE z.id = searchable.ofId); END`,
	`CREATE TRIGGER sites_name_changed AFTER UPDATE OF document ON sites
		WHEN (OLD.document ->> '$.name') IS NOT (NEW.document ->> '$.name') BEGIN
		UPDATE searchable SET text = (SELECT ${zoneText('z')} FROM zones z WHERE z.id = searchable.ofId)
		WHERE kind = 'zone' AND siteId = NEW.id; END`,
	`UPDATE searchable SET text = (SELECT ${zoneText('z')} FROM zones z WHERE z.id = searchable.ofId) WHERE kind = 'zone'`
];

export const boxesUnsearched: readonly string[] = ['DROP TRIGGER boxes_words_changed', ...zonesUnsearched];
