import type { FileKind } from './core/site/index.ts';
import type { Vantage } from './core/vantage/index.ts';

/** What the server and the application say to each other, as JSON. */

export interface SiteSummary {
	readonly id: number;
	readonly name: string;
}

export interface FileRecord {
	readonly path: string;
	readonly kind: FileKind;
	/** Hex SHA-256 of the bytes: what a save is based on. */
	readonly hash: string;
	readonly size: number;
	readonly width: number | null;
	readonly height: number | null;
	/** LF text of pages and sheets, else null. */
	readonly text: string | null;
}

export interface DraftRecord {
	readonly path: string;
	readonly tab: string;
	readonly base: string;
	readonly text: string;
	readonly caret: number;
	/** ISO 8601. */
	readonly at: string;
}

export interface VantageRecord {
	readonly id: number;
	readonly chorus: boolean;
	readonly fields: Vantage;
}

/** A vantage as it is to be kept; without an id, a new one. */
export interface VantageWish extends Omit<VantageRecord, 'id'> {
	readonly id?: number | undefined;
}

export interface VantageList {
	readonly vantages: readonly VantageRecord[];
	/** Hex SHA-256 of the list: what a change of it is based on. */
	readonly version: string;
}

export interface SiteRecord extends SiteSummary {
	readonly revision: number;
	readonly files: readonly FileRecord[];
	readonly vantages: readonly VantageRecord[];
	readonly vantagesVersion: string;
	readonly drafts: readonly DraftRecord[];
}

export interface SavedFile {
	readonly path: string;
	readonly hash: string;
}

/** A file that was saved elsewhere, with what it holds now. */
export interface StaleFile extends SavedFile {
	readonly text: string;
}
