import type { Condition, Declared, PageCascade } from '../cascade/index.ts';
import { sliceOf } from '../css/index.ts';
import { EVERYTHING, intersection, NOTHING, union, type IntervalSet } from '../interval/index.ts';
import type { Solver } from '../media/index.ts';

/** A declaration that an edit added, removed, or moved. */
export interface TouchedDeclaration {
	readonly property: string;
	readonly value: string;
	readonly important: boolean;
	readonly declared: Declared;
	/** In the text of its file before or after the edit. */
	readonly start: number;
}

/** What an edit of a page's sheets affects. */
export interface Touched {
	/** Declarations that only exist before the edit, and those that only exist after it. */
	readonly before: readonly TouchedDeclaration[];
	readonly after: readonly TouchedDeclaration[];
	/** Whether something else changed that may affect any element at any width: layers, fonts, keyframes, imports. */
	readonly beyond: boolean;
}

interface Leaf extends TouchedDeclaration {
	/** The effect of a declaration and its conditions: two with the same key have the same effect. */
	readonly key: string;
}

const conditionKey = ({ kind, text }: Condition): string => `${kind} ${text}`;

function leavesOf({ declared }: PageCascade): Leaf[] {
	return declared.flatMap((of): Leaf[] => {
		const { selectors, conditions, layer, scopes, source, offset } = of;
		const around = JSON.stringify([selectors, conditions.map(conditionKey), layer, scopes]);
		return of.declarations.map((node) => {
			const value = sliceOf(source, node.value);
			const { property, important } = node;
			const key = `${around} ${property}: ${value}${important ? ' !' : ''}`;
			return { property, value, important, declared: of, start: node.span.start + offset, key };
		});
	});
}

/** With more leaves than this on both sides, all count as affected. */
const MOST = 4_000_000;

/** Leaves outside of the longest common subsequence of both (Wagner and Fischer). */
function differing(before: readonly Leaf[], after: readonly Leaf[]): [Leaf[], Leaf[]] {
	const [n, m] = [before.length, after.length];
	if (n * m > MOST) return [[...before], [...after]];
	const width = m + 1;
	const common = new Uint32Array((n + 1) * width);
	for (let i = n - 1; i >= 0; i--)
		for (let j = m - 1; j >= 0; j--)
			common[i * width + j] =
				before[i]?.key === after[j]?.key
					? (common[(i + 1) * width + j + 1] ?? 0) + 1
					: Math.max(common[(i + 1) * width + j] ?? 0, common[i * width + j + 1] ?? 0);
	const gone: Leaf[] = [];
	const come: Leaf[] = [];
	let [i, j] = [0, 0];
	while (i < n || j < m) {
		const [a, b] = [before[i], after[j]];
		if (a && b && a.key === b.key) [i, j] = [i + 1, j + 1];
		else if (a && (!b || (common[(i + 1) * width + j] ?? 0) >= (common[i * width + j + 1] ?? 0))) {
			gone.push(a);
			i++;
		} else if (b) {
			come.push(b);
			j++;
		}
	}
	return [gone, come];
}

/** The order of layers, and registrations, which matter without being declarations. */
const frameOf = ({ layers, registered }: PageCascade): string =>
	JSON.stringify([
		layers.map(({ layer, conditions }) => [layer, conditions.map(conditionKey)]),
		[...registered]
	]);

/** The differences between what a page's sheets declare before and after an edit. */
export function touchedBy(before: PageCascade, after: PageCascade, beyond = false): Touched {
	const [a, b] = [leavesOf(before), leavesOf(after)];
	let start = 0;
	while (start < a.length && start < b.length && a[start]?.key === b[start]?.key) start++;
	let end = 0;
	while (end < a.length - start && end < b.length - start && a.at(-1 - end)?.key === b.at(-1 - end)?.key)
		end++;
	const [gone, come] = differing(a.slice(start, a.length - end), b.slice(start, b.length - end));
	return { before: gone, after: come, beyond: beyond || frameOf(before) !== frameOf(after) };
}

/**
 * The widths at which an edit can change anything: those at which an affected declaration is in force, before or
 * after it. Elsewhere the same declarations decide as before, also those for containers and custom properties, so
 * that layout is the same. Conditions on containers and features are assumed to hold.
 */
export function reachOf({ before, after, beyond }: Touched, solve: Solver): IntervalSet {
	if (beyond) return EVERYTHING;
	const widthsOf = ({ declared }: TouchedDeclaration): IntervalSet =>
		declared.conditions.reduce<IntervalSet>(
			(set, one) => (one.kind === 'media' ? intersection(set, solve(one.queries)) : set),
			EVERYTHING
		);
	return [...before, ...after].map(widthsOf).reduce(union, NOTHING);
}

/**
 * The properties whose values an edit can change directly on elements: those that it declares and, where it declares
 * custom properties, all that use any.
 */
export function propertiesTouched({ before, after }: Touched, { declared }: PageCascade): string[] {
	const own = [...before, ...after].map(({ property }) => property);
	const asking = own.some((property) => property.startsWith('--'))
		? declared.flatMap(({ declarations, source }) =>
				declarations.flatMap(({ property, value }) => (/var\(/i.test(sliceOf(source, value)) ? property : []))
			)
		: [];
	return [...new Set([...own, ...asking])].filter((property) => !property.startsWith('--'));
}
