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

/** The JSON exchanged between the server and the application. */

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
	/** LF text of pages and sheets, otherwise null; the layout of a minified one. */
	readonly text: string | null;
	/** For a layout, the lines that also begin a line of the file, from 0; null where every line does. */
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

/** A vantage to be stored; without an id, a new one. */
export interface VantageRequest extends Omit<VantageRecord, 'id'> {
	readonly id?: number | undefined;
}

export interface VantageList {
	readonly vantages: readonly VantageRecord[];
	/** Hex SHA-256 of the list: what a change of it is based on. */
	readonly version: string;
}

/**
 * The lists of small things that are stored with a site: the schema of each, its name, and its maximum length. A new
 * list only needs a row here.
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
	/** Kinds of findings with changed settings. */
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

/** A picture whose bytes are stored. */
export interface PictureRecord {
	readonly hash: string;
	readonly width: number;
	readonly height: number;
}

/** A file that was added with the revision of that number. */
export interface AddedFile {
	readonly path: string;
	readonly revision: number;
	/** Hex SHA-256 of its bytes. */
	readonly hash: string;
}

/** A change of a file with content of a hash: another path, or null; with no former path, it is restored. */
export type FileChange = MovedFile;

/** A file as it was saved. */
export interface SavedFile extends Pick<FileRecord, 'path' | 'hash' | 'ownLines'> {
	/** Its text, where that differs from the one sent: a layout with further breaks; otherwise null. */
	readonly text: string | null;
}

/** A file that was saved elsewhere, with its present content. */
export interface StaleFile extends SavedFile {
	readonly text: string;
}
