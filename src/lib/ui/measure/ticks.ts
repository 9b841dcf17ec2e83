import { textScale } from '../textScale.ts';

/** Something at one position of the Measure that needs words, px from its left end. */
export interface Mark<X> {
	readonly at: number;
	readonly of: X;
}

/** Marks so close together that they share their words. */
export type Cluster<X> = readonly Mark<X>[];

/** Groups marks, ascending, into clusters whose neighbours are at least `room` px apart. */
export function clusters<X>(marks: readonly Mark<X>[], room: number): Cluster<X>[] {
	const found: Mark<X>[][] = [];
	for (const mark of marks) {
		const last = found.at(-1);
		const before = last?.at(-1);
		if (last && before && mark.at - before.at < room) last.push(mark);
		else found.push([mark]);
	}
	return found;
}

/** Something with a name and a figure at one position of the Measure. */
export interface Named {
	readonly name: string;
	readonly figure: string;
	/** Px from the left end. */
	readonly at: number;
}

/** The approximate width of a character of such words, px. */
const CHARACTER = 7.6 * textScale;

/** Space around words, px. */
const EDGE = 4;

/** The position of a cluster's words: its middle. */
export const middle = (cluster: Cluster<unknown>): number =>
	((cluster[0]?.at ?? 0) + (cluster.at(-1)?.at ?? 0)) / 2;

/** Merges clusters whose words, centred on them, would overlap. */
export function apart<X>(found: readonly Cluster<X>[], words: (cluster: Cluster<X>) => string): Cluster<X>[] {
	const half = (cluster: Cluster<X>): number => (words(cluster).length * CHARACTER) / 2 + 2;
	const all: Cluster<X>[] = [];
	for (const cluster of found) {
		let joined = cluster;
		for (
			let last = all.at(-1);
			last && middle(last) + half(last) > middle(joined) - half(joined);
			last = all.at(-1)
		) {
			joined = [...last, ...joined];
			all.pop();
		}
		all.push(joined);
	}
	return all;
}

/** The words at each position, ascending: name and figure, the name alone, or none, so that no two overlap. */
export function fitWords(
	marks: readonly Named[]
): { readonly mark: Named; readonly words: 'whole' | 'name' | 'none' }[] {
	let taken = -Infinity;
	const sorted = [...marks].sort((a, b) => a.at - b.at);
	return sorted.map((mark, i) => {
		const following = sorted[i + 1];
		const room = following ? following.at - mark.at : Infinity;
		const fits = (text: string, next: number): boolean => {
			const half = (text.length * CHARACTER) / 2 + EDGE;
			return mark.at - half >= taken && half + next <= room;
		};
		const half = following ? (following.name.length * CHARACTER) / 2 + 4 : 0;
		const whole = `${mark.name} ${mark.figure}`;
		const words = fits(whole, half) ? 'whole' : fits(mark.name, 0) ? 'name' : 'none';
		if (words !== 'none')
			taken = mark.at + ((words === 'whole' ? whole : mark.name).length * CHARACTER) / 2 + EDGE;
		return { mark, words };
	});
}
