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

/** A control on a site as a row, with what was keyed and noted at it; see {@link SiteRow}. */
export interface BoxRow {
	id: string;
	siteId: string;
	document: unknown;
	notes: unknown;
	onSite: unknown;
	createdAt: Date;
}

/** The last of what a device sent to a place of a site that came in. */
export interface HeardRow {
	siteId: string;
	place: string;
	device: string;
	number: number;
	at: Date;
}

/** A zone as a row, with the control that it hangs on; see {@link SiteRow}. `summary` is derived and may be thrown away. */
export interface ZoneRow {
	id: string;
	siteId: string;
	boxId: string;
	position: number;
	document: unknown;
	onSite: unknown;
	summary: unknown;
	revision: number;
	createdAt: Date;
	updatedAt: Date;
	deletedAt: Date | null;
	/** When its plan was saved last, and who said that they did. */
	plannedAt: Date | null;
	plannedBy: string | null;
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
	/** The dwelling whose pages it shows. */
	dwelling: string;
	createdAt: Date;
	endsAt: Date;
	revokedAt: Date | null;
}

/** A setting of this installation as a row; see {@link SiteRow}. */
export interface SettingRow {
	key: string;
	document: unknown;
	revision: number;
}

/** Somebody signed in, as a row. */
export interface SessionRow {
	hash: string;
	role: string;
	createdAt: Date;
	endsAt: Date;
}

/** A call of a household as a row; see {@link SiteRow}. */
export interface CallRow {
	id: string;
	siteId: string;
	/** The zone that it is about; empty for the whole house. */
	zoneId: string;
	document: unknown;
	at: Date;
	/** Whether a customer said it by their link; until somebody of the firm takes it, it changes nothing. */
	byCustomer: boolean;
	takenAt: Date | null;
	closedAt: Date | null;
	revision: number;
}
