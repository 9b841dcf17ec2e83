import type { Declaration, Span } from '../css/index.ts';
import type { Specificity } from '../selector/index.ts';
import type { Condition, Declared, Layer, LayerMention } from './sheets.ts';

/** What only an engine can say of CSS. */
export interface Engine {
	/**
	 * The longhands that a declaration sets, each with its text ('' where that is known only later, after `var()`);
	 * null for a property or value that the engine does not know.
	 */
	expand(property: string, value: string): ReadonlyMap<string, string> | null;
	/** Whether a value fits the syntax of a registered custom property that has this initial value (CSS Properties and Values 1 §5). */
	fits(syntax: string, initial: string, value: string): boolean;
	/** Whether the engine knows a property by name. */
	knows(property: string): boolean;
	/** Every longhand that it has. */
	readonly longhands: readonly string[];
}

/** How a selector matches an element. */
export interface Hit {
	readonly selector: string;
	readonly specificity: Specificity;
	/** Generations from the element up to the root of the innermost `@scope`; infinite outside of any. */
	readonly proximity: number;
	/** Pseudo-classes that would have to hold first, `:hover` and its like; it does not hit without them. */
	readonly states: readonly string[];
}

/** Declarations that could apply to an element, with how. */
export interface Applying {
	readonly declared: Declared;
	readonly hit: Hit;
}

/** A declaration of a style attribute. */
export interface StyleDeclaration {
	readonly property: string;
	readonly value: string;
	readonly important: boolean;
	/** In the page's text. */
	readonly span: Span;
	readonly file: string;
}

/** A declaration that bears on a property, as it stands in the cascade. */
export interface Candidate {
	/** As it is written: a shorthand has its own name here. */
	readonly property: string;
	readonly written: string;
	/** What it gives the property in question; '' where a `var()` in a shorthand leaves it open. */
	readonly value: string;
	readonly important: boolean;
	readonly file: string;
	/** In the file's text. */
	readonly span: Span;
	/** Null for a style attribute and for a presentational one. */
	readonly hit: Hit | null;
	/** The name of a presentational attribute that says it; null for all else. */
	readonly attribute: string | null;
	readonly layer: Layer;
	readonly conditions: readonly Condition[];
	/** Where it stands among all declarations: text of the page, then place in it. */
	readonly order: readonly [text: number, at: number];
	readonly node: Declaration | null;
}

/** Whether a condition holds at the widths, and for the element, that are asked about. */
export type Holds = (condition: Condition) => boolean;

/** What an element's declarations are decided by, besides themselves. */
export interface Case {
	/** Cases of one element at several widths share this list; no other case may have it. */
	readonly applying: readonly Applying[];
	readonly style: readonly StyleDeclaration[];
	/** What its presentational attributes say. */
	readonly hints: readonly (StyleDeclaration & { readonly attribute: string })[];
	readonly layers: readonly LayerMention[];
	readonly holds: Holds;
	/** The longhands as which the element's writing mode takes a logical property; others as they are. */
	readonly physical: (longhand: string) => string;
	readonly engine: Engine;
}

/** By what one declaration comes before another (CSS Cascade 6 §6.1). */
export type Criterion =
	'importance' | 'presentational-hint' | 'style-attribute' | 'layer' | 'specificity' | 'proximity' | 'order';

/** Why a candidate lost. */
export type Loss =
	| { readonly kind: 'condition'; readonly condition: Condition }
	| { readonly kind: 'state'; readonly states: readonly string[] }
	| { readonly kind: 'unknown-name' }
	| { readonly kind: 'not-valid' }
	| { readonly kind: 'beaten'; readonly by: Candidate; readonly criterion: Criterion }
	/** The same rule, or the same attribute, sets it again. */
	| { readonly kind: 'set-again'; readonly by: Candidate }
	/** It won, and gave way by its own word. */
	| { readonly kind: 'gave-way'; readonly keyword: 'revert' | 'revert-layer' };
