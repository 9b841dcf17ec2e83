import { skipSpace, T, textOf, tokensOf } from '../css/tokens.ts';
import type { Outcome } from './outcome.ts';
import type { Candidate } from './case.ts';

/** A `var()` in a value: the custom property it names, and its fallback as written. */
export interface VariableUse {
	readonly name: string;
	/** Null where it has none. */
	readonly fallback: string | null;
}

/** Every `var()` of a value in source order; those inside fallbacks remain part of the fallback's text. */
export function variablesIn(value: string): VariableUse[] {
	const tokens = tokensOf(value);
	const found: VariableUse[] = [];
	for (let i = 0; i < tokens.count; i++) {
		if (tokens.types[i] !== T.Function || textOf(tokens, i).toLowerCase() !== 'var(') continue;
		const close = Math.min(tokens.close[i] as number, tokens.count);
		const at = skipSpace(tokens, i + 1, close);
		if (tokens.types[at] !== T.Ident) continue;
		const comma = skipSpace(tokens, at + 1, close);
		const fallback =
			tokens.types[comma] === T.Comma
				? value.slice(tokens.starts[comma + 1], tokens.starts[close] ?? value.length).trim()
				: null;
		found.push({ name: textOf(tokens, at), fallback });
		i = close;
	}
	return found;
}

/** One custom property on the way from a value to its result. */
export interface VariableStep {
	readonly name: string;
	/** How many custom properties precede it. */
	readonly depth: number;
	/**
	 * `given`: a declaration sets it; `fallback`: none does, and the fallback of `var()` applies; `missing`: none does
	 * and there is no fallback, so the whole declaration is invalid at computed-value time (CSS Custom Properties 1
	 * §3.1); `cycle`: it depends on itself, and counts as missing.
	 */
	readonly kind: 'given' | 'fallback' | 'missing' | 'cycle';
	readonly by: Candidate | undefined;
	readonly text: string;
}

const MOST_STEPS = 60;

/**
 * The custom properties that a value needs, each followed by those that it needs itself. `look` returns where a
 * custom property comes from on the element so many generations up.
 */
export function variableSteps(
	value: string,
	up: number,
	look: (name: string, up: number) => Outcome | undefined
): VariableStep[] {
	const steps: VariableStep[] = [];
	const follow = (text: string, from: number, chain: readonly string[]): void => {
		for (const { name, fallback } of variablesIn(text)) {
			if (steps.length >= MOST_STEPS) return;
			const depth = chain.length;
			if (chain.includes(name)) {
				steps.push({ name, depth, kind: 'cycle', by: undefined, text: '' });
				continue;
			}
			const outcome = look(name, from);
			const by = outcome?.kind === 'inherited' ? outcome.from.winner : outcome?.own.winner;
			const given =
				by && (outcome?.kind === 'own' || outcome?.kind === 'inherited') && by.value !== 'initial';
			if (given) {
				steps.push({ name, depth, kind: 'given', by, text: by.value });
				follow(by.value, from + (outcome.kind === 'inherited' ? outcome.up : 0), [...chain, name]);
			} else if (fallback !== null) {
				steps.push({ name, depth, kind: 'fallback', by: undefined, text: fallback });
				follow(fallback, from, [...chain, name]);
			} else steps.push({ name, depth, kind: 'missing', by: undefined, text: '' });
		}
	};
	follow(value, up, []);
	return steps;
}

/** How long a text may become when custom properties are substituted. */
const LONGEST = 100_000;

/** What an `@property` does to values of its custom property. */
export interface Registration {
	readonly inherits: boolean;
	/** Null where it has none. */
	readonly initial: string | null;
	/** Whether a value fits the syntax once its own custom properties are substituted. */
	fits(value: string): boolean;
}

/**
 * A value with its custom properties substituted, as at computed-value time (CSS Custom Properties 1 §3); null where
 * one is missing or depends on itself. `look` returns where a custom property comes from on the element so many
 * generations up. A value that does not fit the registered syntax of its property counts as unset (CSS Properties and
 * Values 1 §2.4).
 */
export function substituted(
	value: string,
	up: number,
	look: (name: string, up: number) => Outcome | undefined,
	registered: (name: string) => Registration | undefined = () => undefined,
	chain: readonly string[] = []
): string | null {
	if (!/var\(/i.test(value)) return value.replace(/\s+/g, ' ').trim();
	const tokens = tokensOf(value);
	let text = '';
	for (let i = 0; i < tokens.count; i++) {
		const isVar = tokens.types[i] === T.Function && textOf(tokens, i).toLowerCase() === 'var(';
		if (!isVar) {
			text += textOf(tokens, i);
			continue;
		}
		const close = Math.min(tokens.close[i] as number, tokens.count);
		const [use] = variablesIn(value.slice(tokens.starts[i], tokens.starts[close + 1] ?? value.length));
		if (!use || chain.includes(use.name) || text.length > LONGEST) return null;
		const own = valueOf(use.name, up, look, registered, chain);
		const put =
			own ?? (use.fallback === null ? null : substituted(use.fallback, up, look, registered, chain));
		if (put === null) return null;
		text += ` ${put} `;
		i = close;
	}
	return text.replace(/\s+/g, ' ').trim();
}

/** The value of a custom property on the element so many generations up; null where nothing sets it. */
function valueOf(
	name: string,
	up: number,
	look: (name: string, up: number) => Outcome | undefined,
	registered: (name: string) => Registration | undefined,
	chain: readonly string[]
): string | null {
	const kind = registered(name);
	const initial = kind?.initial ?? null;
	const outcome = look(name, up);
	if (outcome?.kind !== 'own' && outcome?.kind !== 'inherited') return initial;
	const at = up + (outcome.kind === 'inherited' ? outcome.up : 0);
	const by = outcome.kind === 'inherited' ? outcome.from.winner : outcome.own.winner;
	if (!by || by.value === 'initial') return initial;
	const own = substituted(by.value, at, look, registered, [...chain, name]);
	if (own === null || !kind || kind.fits(own)) return own ?? initial;
	return kind.inherits ? valueOf(name, at + 1, look, registered, chain) : initial;
}
