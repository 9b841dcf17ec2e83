import { habitsOf } from '../core/css/index.ts';
import { isEmpty, printRational, type Rational } from '../core/interval/index.ts';
import {
	closeHalves,
	gatherBreakpoints,
	nameBreakpoint,
	parseMediaQueryList,
	solve
} from '../core/media/index.ts';
import { queryPlaces, type QueryPlace, type Sources } from '../core/site/index.ts';
import { applyChanges, done, shifted, type Change } from '../core/text/index.ts';
import { EM, PLAIN } from '../core/vantage/index.ts';
import type { Desk } from './declaration.ts';
import type { Proposed } from './proposed.ts';

/** A list of media queries in a file. */
interface Place extends QueryPlace {
	readonly path: string;
}

/** The texts of a site. */
type Texts = ReadonlyMap<
	string,
	{ readonly path: string; readonly kind: 'page' | 'sheet'; readonly text: string }
>;

/** Every list of media queries in those files of a site that are not given. */
export const ownQueries = (texts: Texts, sources: Sources, { isGiven }: Desk): Place[] =>
	[...texts.values()].flatMap(({ path, kind, text }) =>
		isGiven(path) ? [] : queryPlaces(text, kind, sources).map((place) => ({ path, ...place }))
	);

/** Makes the changes of each list in place; returns how many there are. */
export function writeQueries(
	{ working }: Desk,
	places: readonly Place[],
	changes: readonly (readonly Change[])[]
): number {
	const byFile = new Map<string, Change[]>();
	places.forEach(({ path, span: { start: by } }, i) => {
		const moved = shifted(changes[i] ?? [], by);
		byFile.set(path, [...(byFile.get(path) ?? []), ...moved]);
	});
	for (const [path, all] of byFile) working.change(path, all);
	return changes.reduce((sum, { length }) => sum + length, 0);
}

const inPlaces = (count: number): string => (count === 1 ? '1 place' : `${count} places`);

/**
 * Closes the gap between two halves of a breakpoint, or their overlap at one width, in each sheet's own notation.
 */
export function closing(desk: Desk, texts: Texts, sources: Sources, from: Rational, to: Rational): Proposed {
	const places = ownQueries(texts, sources, desk);
	const changes = places.map(({ path, text }) => {
		const file = texts.get(path);
		const style = file?.kind === 'sheet' ? habitsOf(sources.sheet(file.text)).query : 'prefix';
		return closeHalves([text], from, to, EM, style)[0] ?? [];
	});
	const count = writeQueries(desk, places, changes);
	return done({
		summary: `${printRational(from) === printRational(to) ? `One half holds at ${printRational(to)}` : `Nothing is left between ${printRational(from)} and ${printRational(to)}`}: ${inPlaces(count)}.`,
		notes: []
	});
}

/** Merges breakpoints at one width, in all files that are not given. */
export function gathering(
	desk: Desk,
	texts: Texts,
	sources: Sources,
	froms: readonly Rational[],
	to: Rational
): Proposed {
	const places = ownQueries(texts, sources, desk);
	const changes = gatherBreakpoints(
		places.map(({ text }) => text),
		froms,
		to,
		EM
	);
	const never = places.filter(({ text }, i) => {
		const own = changes[i] ?? [];
		const holds = (query: string): boolean => !isEmpty(solve(parseMediaQueryList(query), PLAIN));
		return own.length > 0 && holds(text) && !holds(applyChanges(text, own));
	}).length;
	const count = writeQueries(desk, places, changes);
	const note = `${never === 1 ? '1 condition holds' : `${never} conditions hold`} at no width then: what was between the two.`;
	return done({
		summary: `What changes at ${froms.map(printRational).join(', ')} changes at ${printRational(to)}: ${inPlaces(count)}.`,
		notes: never > 0 ? [note] : []
	});
}

/** Names a breakpoint, in a comment wherever a sheet of ours contains it; an empty name removes it. */
export function naming(desk: Desk, texts: Texts, sources: Sources, at: Rational, name: string): Proposed {
	const places = ownQueries(texts, sources, desk).filter(({ of }) => of === 'rule');
	const changes = nameBreakpoint(
		places.map(({ text }) => text),
		at,
		name,
		EM
	);
	const count = writeQueries(desk, places, changes);
	const summary = name.trim() === '' ? 'has no name' : `is called ${name.trim()}`;
	return done({ summary: `${printRational(at)} ${summary}: ${inPlaces(count)}.`, notes: [] });
}
