import type { Expression } from '../length/index.ts';
import type { Span } from '../css/node.ts';
import type { Operator } from './feature.ts';

/** What a feature is compared with. Resolutions are in dppx; null stands for `infinite`. */
export type Value =
	| { readonly kind: 'length'; readonly of: Expression }
	| { readonly kind: 'ratio'; readonly width: Expression; readonly height: Expression }
	| { readonly kind: 'resolution'; readonly of: Expression | null }
	| { readonly kind: 'integer'; readonly of: Expression }
	| { readonly kind: 'keyword'; readonly name: string };

export interface Comparison {
	readonly operator: Operator;
	readonly value: Value;
}

export type Condition =
	| { readonly kind: 'not'; readonly of: Condition }
	| { readonly kind: 'and' | 'or'; readonly of: readonly Condition[] }
	| {
			readonly kind: 'feature';
			/** The name of the media feature, without `min-` or `max-`; `featureNamed` returns the feature. */
			readonly feature: string;
			/** All of them must hold; empty where the feature has no value (boolean context). */
			readonly comparisons: readonly Comparison[];
			/** In the query list's text, with its parentheses. */
			readonly span: Span;
	  }
	/** `<general-enclosed>` (Media Queries 4 §3): neither true nor false. */
	| { readonly kind: 'unknown'; readonly span: Span };

/** One query of a list. A query that does not parse is `not all` (Media Queries 4 §3.2) and marked invalid. */
export interface MediaQuery {
	readonly span: Span;
	readonly negated: boolean;
	/** Lower case; null where none is named. */
	readonly type: string | null;
	readonly condition: Condition | null;
	readonly invalid: boolean;
}
