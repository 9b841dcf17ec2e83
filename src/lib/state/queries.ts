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
import { applyChanges, shifted, type Change } from '../core/text/index.ts';
import { EM, PLAIN } from '../core/vantage/index.ts';
import type { Proposal } from './proposal.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import type { Desk } from './writing.ts';

/** A list of media queries in a file. */
interface Place extends QueryPlace {
	readonly path: string;
}

/** Every list of media queries in the files of a site that are ours. */
export const ownQueries = ({ texts }: SiteState, sources: Sources, { isGiven }: Desk): Place[] =>
	[...texts.values()].flatMap(({ path, kind, text }) =>
		isGiven(path) ? [] : queryPlaces(text, kind, sources).map((place) => ({ path, ...place }))
	);

/** Writes changes of each list where it stands; gives how many there are. */
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
 * Proposes to close the stretch between two halves of a breakpoint, or their overlap at one width, each as its own
 * sheet writes widths.
 */
export function proposeClosing(
	proposal: Proposal,
	site: SiteState,
	sources: Sources,
	from: Rational,
	to: Rational
): void {
	proposal.propose((desk) => {
		const places = ownQueries(site, sources, desk);
		const changes = places.map(({ path, text }) => {
			const file = site.texts.get(path);
			const style = file?.kind === 'sheet' ? habitsOf(sources.sheet(file.text)).query : 'prefix';
			return closeHalves([text], from, to, EM, style)[0] ?? [];
		});
		const count = writeQueries(desk, places, changes);
		return {
			does: `${printRational(from) === printRational(to) ? `One half holds at ${printRational(to)}` : `Nothing is left between ${printRational(from)} and ${printRational(to)}`}: ${inPlaces(count)}.`,
			notes: []
		};
	});
}

/** Proposes to bring breakpoints together at one width, in all files of ours. */
export function proposeGathering(
	proposal: Proposal,
	site: SiteState,
	sources: Sources,
	froms: readonly Rational[],
	to: Rational
): void {
	proposal.propose((desk) => {
		const places = ownQueries(site, sources, desk);
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
		return {
			does: `What changes at ${froms.map(printRational).join(', ')} changes at ${printRational(to)}: ${inPlaces(count)}.`,
			notes: never > 0 ? [note] : []
		};
	});
}

/** Proposes a name for a breakpoint, in a comment wherever a sheet of ours has it; an empty one takes it away. */
export function proposeName(
	proposal: Proposal,
	site: SiteState,
	sources: Sources,
	at: Rational,
	name: string
): void {
	proposal.propose((desk) => {
		const places = ownQueries(site, sources, desk).filter(({ of }) => of === 'rule');
		const changes = nameBreakpoint(
			places.map(({ text }) => text),
			at,
			name,
			EM
		);
		const count = writeQueries(desk, places, changes);
		const does = name.trim() === '' ? 'has no name' : `is called ${name.trim()}`;
		return { does: `${printRational(at)} ${does}: ${inPlaces(count)}.`, notes: [] };
	});
}
