import { habitsOf } from '../core/css/index.ts';
import { printRational, type Rational } from '../core/interval/index.ts';
import { closeHalves } from '../core/media/index.ts';
import { queryPlaces, type QueryPlace, type Sources } from '../core/site/index.ts';
import { shifted, type Change } from '../core/text/index.ts';
import { EM } from './condition.ts';
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

/** Proposes to close the stretch between two halves of a breakpoint, each as its own sheet writes widths. */
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
			does: `Nothing is left between ${printRational(from)} and ${printRational(to)}: ${count === 1 ? '1 place' : `${count} places`}.`,
			notes: []
		};
	});
}
