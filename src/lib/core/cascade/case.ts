import type { Declaration, Span } from '../css/index.ts';
import type { Specificity } from '../selector/index.ts';
import type { Condition, Declared, Layer, LayerMention } from './sheets.ts';

/** What only an engine knows about CSS. */
export interface Engine {
	/**
	 * The longhands that a declaration sets, each with its text ('' where that is only known later, after `var()`);
	 * null for a property or value unknown to the engine.
	 */
	expand(property: string, value: string): ReadonlyMap<string, string> | null;
	/** Whether a value fits the syntax of a registered custom property that has this initial value (CSS Properties and Values 1 §5). */
	fits(syntax: string, initial: string, value: string): boolean;
	/** Whether the engine knows a property by name. */
	knows(property: string): boolean;
	/** Every longhand that the engine has. */
	readonly longhands: readonly string[];
}

/** How a selector matches an element. */
export interface Hit {
	readonly selector: string;
	readonly specificity: Specificity;
	/** Generations from the element up to the root of the innermost `@scope`; infinite outside of `@scope`. */
	readonly proximity: number;
	/** Pseudo-classes such as `:hover` that would have to apply first; without them the selector does not match. */
	readonly states: readonly string[];
}

/** Declarations that could apply to an element, and how their selectors match it. */
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

/** A declaration that affects a property, with its position in the cascade. */
export interface Candidate {
	/** As written: a shorthand has its own name here. */
	readonly property: string;
	readonly written: string;
	/** The value for the property in question; '' where a `var()` in a shorthand leaves it open. */
	readonly value: string;
	readonly important: boolean;
	readonly file: string;
	/** In the file's text. */
	readonly span: Span;
	/** Null for a style attribute and for a presentational one. */
	readonly hit: Hit | null;
	/** The presentational attribute that it comes from; null for everything else. */
	readonly attribute: string | null;
	readonly layer: Layer;
	readonly conditions: readonly Condition[];
	/** Its position among all declarations: which text of the page, then the place in it. */
	readonly order: readonly [text: number, at: number];
	readonly node: Declaration | null;
}

/** Whether a condition holds at the widths, and for the element, in question. */
export type Holds = (condition: Condition) => boolean;

/** What decides an element's declarations, besides the declarations themselves. */
export interface Case {
	/** Cases of one element at several widths share this list; no other case may have it. */
	readonly applying: readonly Applying[];
	readonly style: readonly StyleDeclaration[];
	/** What its presentational attributes declare. */
	readonly hints: readonly (StyleDeclaration & { readonly attribute: string })[];
	readonly layers: readonly LayerMention[];
	readonly holds: Holds;
	/**
	 * The physical longhands that a logical property sets in the element's writing mode; other properties unchanged.
	 */
	readonly physical: (longhand: string) => string;
	readonly engine: Engine;
}

/** The criterion by which one declaration precedes another (CSS Cascade 6 §6.1). */
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
	/** It won, and rolled back by its own keyword. */
	| { readonly kind: 'gave-way'; readonly keyword: 'revert' | 'revert-layer' };
