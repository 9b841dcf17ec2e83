import type { FilePlace } from './filePlace.ts';

/** Why something was not done: a sentence, and the place where there is one. */
export interface Refusal<P = FilePlace | undefined> {
	readonly ok: false;
	readonly sentence: string;
	readonly place: P;
}

/** The result of something that can be refused. Places are offsets in a text, or places of files. */
export type Result<T = void, P = FilePlace | undefined> =
	{ readonly ok: true; readonly value: T } | Refusal<P>;

export const done = <T>(value: T): { readonly ok: true; readonly value: T } => ({ ok: true, value });

/** Done, without a value. */
export const DONE = done(undefined);

export function refuse(sentence: string): Refusal;
export function refuse<P>(sentence: string, place: P): Refusal<P>;
export function refuse(sentence: string, place?: unknown): Refusal<unknown> {
	return { ok: false, sentence, place };
}

/** Continues with the value of a result, unless it was refused. */
export const chain = <T, U, P>(first: Result<T, P>, next: (value: T) => Result<U, P>): Result<U, P> =>
	first.ok ? next(first.value) : first;

/** The sentence of what was done, or of why it was refused. */
export const sentenceOf = <P>(result: Result<string, P>): string =>
	result.ok ? result.value : result.sentence;

/** Why something was refused, in its sentence; null where it was done. */
export const whyNot = <T, P>(result: Result<T, P>): string | null => (result.ok ? null : result.sentence);

/** The refusal of a result; null where it was done. */
export const refusalOf = <T, P>(result: Result<T, P>): Refusal<P> | null => (result.ok ? null : result);
