import type { FileKind } from './core/site/index.ts';
import type { Errand, Given, UnsteadyName } from './core/errand/index.ts';
import type { Accepted, KindSetting } from './core/findings/settings.ts';
import type { Original } from './core/original/index.ts';
import type { Scale } from './core/scale/scale.ts';
import type { StagedState } from './core/staged/index.ts';
import type { SupportTarget } from './core/support/index.ts';
import type { Hold } from './core/wake/hold.ts';
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

/** The lists of small things that are kept with a site, by kind. */
export interface KeptFields {
	readonly staged: StagedState;
	readonly original: Original;
	/** None, or one. */
	readonly target: SupportTarget;
	/** Pages whose markup is given. */
	readonly given: Given;
	readonly errand: Errand;
	/** Ids and classes that two saves of a page have proved unsteady. */
	readonly unsteady: UnsteadyName;
	/** Kinds of findings that are not as they come. */
	readonly finding: KindSetting;
	readonly accepted: Accepted;
	readonly hold: Hold;
	/** None, or one. */
	readonly scale: Scale;
}
export type KeptKind = keyof KeptFields;
export const KEPT_KINDS = [
	'staged',
	'original',
	'target',
	'given',
	'errand',
	'unsteady',
	'finding',
	'accepted',
	'hold',
	'scale'
] as const satisfies readonly KeptKind[];

export interface KeptListRecord<K extends KeptKind> {
	readonly list: readonly KeptFields[K][];
	/** Hex SHA-256 of the list: what a change of it is based on. */
	readonly version: string;
}

export interface SiteRecord extends SiteSummary {
	readonly revision: number;
	readonly files: readonly FileRecord[];
	readonly vantages: readonly VantageRecord[];
	readonly vantagesVersion: string;
	readonly kept: { readonly [K in KeptKind]: KeptListRecord<K> };
	readonly drafts: readonly DraftRecord[];
}

/** A save of the whole site. */
export interface RevisionRecord {
	readonly number: number;
	readonly message: string;
	/** ISO 8601. */
	readonly at: string;
}

/** A picture whose bytes are kept. */
export interface PictureRecord {
	readonly hash: string;
	readonly width: number;
	readonly height: number;
}

/** A file that was added, as the revision of that number. */
export interface AddedFile {
	readonly path: string;
	readonly revision: number;
}

export interface SavedFile {
	readonly path: string;
	readonly hash: string;
}

/** A file that was saved elsewhere, with what it holds now. */
export interface StaleFile extends SavedFile {
	readonly text: string;
}
