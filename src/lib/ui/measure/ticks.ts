/** Something at one place of the Measure that wants words beside it, px from its left end. */
export interface Mark<X> {
	readonly at: number;
	readonly of: X;
}

/** Marks that stand so close that they share their words. */
export type Cluster<X> = readonly Mark<X>[];

/** Gathers marks, ascending, into clusters whose neighbours are at least `room` px apart. */
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

/** Something with a name and a figure at one place of the Measure. */
export interface Named {
	readonly name: string;
	readonly figure: string;
	/** Px from the left end. */
	readonly at: number;
}

/** Px that a character takes at the size of such words, about. */
const CHARACTER = 7.6;

/** The words at each place, ascending: name and figure, the name alone, or none, so that no two overlap. */
export function fitWords(
	marks: readonly Named[]
): { readonly mark: Named; readonly words: 'whole' | 'name' | 'none' }[] {
	let taken = -Infinity;
	const sorted = [...marks].sort((a, b) => a.at - b.at);
	return sorted.map((mark, i) => {
		const following = sorted[i + 1];
		const room = following ? following.at - mark.at : Infinity;
		const fits = (text: string, next: number): boolean => {
			const half = (text.length * CHARACTER) / 2 + 4;
			return mark.at - half >= taken && half + next <= room;
		};
		const half = following ? (following.name.length * CHARACTER) / 2 + 4 : 0;
		const whole = `${mark.name} ${mark.figure}`;
		const words = fits(whole, half) ? 'whole' : fits(mark.name, 0) ? 'name' : 'none';
		if (words !== 'none')
			taken = mark.at + ((words === 'whole' ? whole : mark.name).length * CHARACTER) / 2 + 4;
		return { mark, words };
	});
}
