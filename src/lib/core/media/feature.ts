import type { Line } from '../length/index.ts';
import type { Rational } from '../interval/index.ts';
import type { Vantage } from '../vantage/index.ts';

/** A keyword of one feature in terms of another feature (`orientation` of `aspect-ratio`). */
export interface Alias {
	readonly feature: 'aspect-ratio';
	readonly operator: Operator;
	readonly width: Rational;
	readonly height: Rational;
}

export type Operator = '<' | '<=' | '=' | '>=' | '>';

/** A media feature (Media Queries 4 and 5): what it can be compared with, and its value in a vantage. */
export type MediaFeature = { readonly name: string } & (
	| {
			/** Compared with lengths; itself a line over viewport width, CSS px. */
			readonly kind: 'length';
			readonly actual: (vantage: Vantage) => Line;
	  }
	| {
			/** Compared with ratios; itself width over height. */
			readonly kind: 'ratio';
			readonly actual: (vantage: Vantage) => { readonly width: Line; readonly height: Line };
	  }
	| {
			/** Compared with resolutions, dppx. */
			readonly kind: 'resolution';
			/** True where a bare number stands for dppx. */
			readonly bare: boolean;
			readonly actual: (vantage: Vantage) => Rational;
	  }
	| {
			readonly kind: 'integer';
			/** False where neither ranges nor prefixes are allowed (`grid`). */
			readonly ranged: boolean;
			readonly actual: (vantage: Vantage) => Rational;
	  }
	| {
			readonly kind: 'keyword';
			readonly keywords: readonly string[];
			/** The keywords that apply. */
			readonly holding: (vantage: Vantage) => readonly string[];
			/** The keyword that counts as false where the feature has no value. */
			readonly falsy?: string;
	  }
	| {
			readonly kind: 'alias';
			readonly keywords: Readonly<Record<string, Alias>>;
	  }
);
