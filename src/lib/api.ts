import type { output } from 'zod';
import { errandSchema, givenSchema, unsteadySchema } from './core/errand/index.ts';
import { acceptedSchema, kindSettingSchema } from './core/findings/settings.ts';
import type { MovedFile } from './core/history/index.ts';
import { originalSchema } from './core/original/index.ts';
import { scaleSchema } from './core/scale/scale.ts';
import { stagedStateSchema } from './core/staged/index.ts';
import { supportTargetSchema } from './core/support/index.ts';
import { holdSchema } from './core/wake/hold.ts';
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
	/** LF text of pages and sheets, else null; of a minified one, its layout. */
	readonly text: string | null;
	/** Of a layout, the lines that begin a line of the file, too, from 0; null where every line does. */
	readonly ownLines: readonly number[] | null;
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
export interface VantageRequest extends Omit<VantageRecord, 'id'> {
	readonly id?: number | undefined;
}

export interface VantageList {
	readonly vantages: readonly VantageRecord[];
	/** Hex SHA-256 of the list: what a change of it is based on. */
	readonly version: string;
}

/**
 * The lists of small things that are kept with a site: what each is made of, what it is called, and how many it has at most.
 * A new one needs nothing but a row here.
 */
export const KEPT = {
	staged: { schema: stagedStateSchema, title: 'staged states', most: 1000 },
	original: { schema: originalSchema, title: 'originals', most: 1000 },
	target: { schema: supportTargetSchema, title: 'engines asked for', most: 1 },
	/** Pages whose markup is given. */
	given: { schema: givenSchema, title: 'given files', most: 1000 },
	errand: { schema: errandSchema, title: 'errands', most: 1000 },
	/** Ids and classes that two saves of a page have proved unsteady. */
	unsteady: { schema: unsteadySchema, title: 'unsteady names', most: 1000 },
	/** Kinds of findings that are not as they come. */
	finding: { schema: kindSettingSchema, title: 'kinds of findings', most: 1000 },
	accepted: { schema: acceptedSchema, title: 'accepted findings', most: 1000 },
	hold: { schema: holdSchema, title: 'holds', most: 1000 },
	scale: { schema: scaleSchema, title: 'type scale', most: 1 }
} as const;

export type KeptKind = keyof typeof KEPT;
export type KeptFields = { readonly [K in KeptKind]: output<(typeof KEPT)[K]['schema']> };
export const KEPT_KINDS = Object.keys(KEPT) as readonly KeptKind[];

/** Something for each kind of kept list, by kind. */
export const forEachKept = <T extends Readonly<Record<KeptKind, unknown>>>(
	make: (kind: KeptKind) => T[KeptKind]
): T => Object.fromEntries(KEPT_KINDS.map((kind) => [kind, make(kind)])) as T;

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
	/** Hex SHA-256 of its bytes. */
	readonly hash: string;
}

/** What becomes of a file that holds bytes of a hash: another path, or none; where it had none, it is brought back. */
export type FileChange = MovedFile;

/** A file as it was saved. */
export interface SavedFile extends Pick<FileRecord, 'path' | 'hash' | 'ownLines'> {
	/** Its text, where that is not the one that was sent: of a layout, with the breaks that it lacked; else null. */
	readonly text: string | null;
}

/** A file that was saved elsewhere, with what it holds now. */
export interface StaleFile extends SavedFile {
	readonly text: string;
}
