import type { Snapshot } from '../snapshot/index.ts';

/** What a kind reads for one element, or for two, in a snapshot. */
export interface Reading {
	readonly element: number;
	/** The second of two. */
	readonly other?: number;
	/**
	 * How far it is beyond the limit, in the kind's unit: a finding above 0, none up to 0. Or, for a kind that is about
	 * changes between widths, its state in words.
	 */
	readonly value: number | string;
}

/** Severity: something cannot be read or reached; it looks wrong; it is worth a look. */
export const SEVERITIES = ['grave', 'plain', 'slight'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** From one state to another between two adjacent px, CSS px. */
export interface Turn {
	readonly before: number;
	readonly after: number;
	readonly from: string;
	readonly to: string;
}

/** The sentence of a finding. */
export interface FindingText {
	/** The names of what it is about; `other` is the second of two. */
	readonly name: string;
	readonly other: string;
	/** The value at its worst width, in the kind's unit. */
	readonly by: number;
	/** For a kind that is about changes: the changes that no condition causes. */
	readonly turns: readonly Turn[];
}

/** What a kind's distances are compared with. */
export interface Limit {
	readonly value: number;
	readonly unit: 'px' | '%' | 'words a line';
	/** Whether lower values are worse. */
	readonly below?: boolean;
}

/** A kind of finding. */
export interface Kind {
	readonly name: string;
	/** The kind in a few words, for a list. */
	readonly title: string;
	readonly severity: Severity;
	/**
	 * The limit beyond which there is a finding, in its unit, unless a site sets another; null for kinds that are about
	 * changes.
	 */
	readonly limit: Limit | null;
	readonly sentence: (said: FindingText) => string;
	/** The standard that requires it, with its section, where there is one. */
	readonly standard?: string;
	/** What may fix it besides the declaration to blame; each is to be tried. */
	readonly remedies?: readonly { readonly property: string; readonly value: string }[];
	/** Whether it may be caused by content that is too wide in itself. */
	readonly overflows?: boolean;
	/**
	 * Where the snapshot has it or nearly has it, CSS px and indexes of the snapshot. Anything far from the limit is
	 * left out.
	 */
	readonly read: (snapshot: Snapshot) => Reading[];
}

/** Anything further from its limit is left out, px. */
export const NEAR = 96;
/** What rounding in layout may leave over, px. */
export const LEAST = 1 / 32;
