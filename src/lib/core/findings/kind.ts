import type { Snapshot } from '../snapshot/index.ts';

/** What one kind reads of one element, or of two, in a snapshot. */
export interface Reading {
	readonly element: number;
	/** The other of two. */
	readonly other?: number;
	/**
	 * How far it is beyond the limit, in the kind's unit: over 0 it is there, up to 0 it is not. Or, of a kind that is about
	 * changes from width to width, in which state it is, in words.
	 */
	readonly value: number | string;
}

/** How bad it is: something cannot be read or reached; it looks wrong; it is worth a look. */
export const SEVERITIES = ['grave', 'plain', 'slight'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** From one state to another between two px, CSS px. */
export interface Turn {
	readonly before: number;
	readonly after: number;
	readonly from: string;
	readonly to: string;
}

/** What is said of a finding. */
export interface FindingText {
	/** What it is about, by name; the other of two. */
	readonly name: string;
	readonly other: string;
	/** How much it is at its worst width, in the kind's unit. */
	readonly by: number;
	/** Of a kind that is about changes: those that no condition makes. */
	readonly turns: readonly Turn[];
}

/** What a kind's distances are held against. */
export interface Limit {
	readonly value: number;
	readonly unit: 'px' | '%' | 'words a line';
	/** Whether less is worse. */
	readonly below?: boolean;
}

/** A kind of finding. */
export interface Kind {
	readonly name: string;
	/** What it is, in a few words, for a list of kinds. */
	readonly title: string;
	readonly severity: Severity;
	/** Beyond which it is there, in its unit, unless a site sets another; null for kinds that are about changes. */
	readonly limit: Limit | null;
	readonly sentence: (said: FindingText) => string;
	/** The standard that asks for it, with its section, where one does. */
	readonly standard?: string;
	/** What may mend it beside the declaration that is to blame; whether it does is to be tried. */
	readonly remedies?: readonly { readonly property: string; readonly value: string }[];
	/** Whether content that is too wide by itself may make it. */
	readonly overflows?: boolean;
	/** Where it is there or near, CSS px and indexes of the snapshot. What is far from its limit is left out. */
	readonly read: (snapshot: Snapshot) => Reading[];
}

/** What is so far from its limit is left out, px. */
export const NEAR = 96;
/** What rounding of layout leaves, px. */
export const LEAST = 1 / 32;
