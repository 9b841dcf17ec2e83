import type { HeightThreshold, MediaSite } from '$lib/core/media/index.ts';
import type { HeightUse } from '$lib/core/page/index.ts';
import { figure } from '$lib/core/box/index.ts';

/** Something at a height of the window. */
export interface HeightMark {
	readonly kind: 'threshold' | 'vantage' | 'length';
	/** CSS px. */
	readonly at: number;
	/** The words beside it where there is room; '' for something shown on hover only. */
	readonly words: string;
	readonly title: string;
	/** Its place in the sources; null for a vantage. */
	readonly place: Pick<MediaSite, 'file' | 'span'> | null;
}

/** The marks for heights, the most important first: conditions, then lengths, each once, then vantages. */
export function heightMarks(
	thresholds: readonly HeightThreshold[],
	uses: readonly HeightUse[],
	vantages: readonly { readonly name: string; readonly height: number }[],
	placeOf: (place: Pick<MediaSite, 'file' | 'span'>) => string
): HeightMark[] {
	const lengths = new Map<string, HeightUse[]>();
	for (const use of uses) {
		// The whole window ends at its own end.
		if (use.px > 0) lengths.set(use.length, [...(lengths.get(use.length) ?? []), use]);
	}
	return [
		...thresholds.map(({ height, causes }): HeightMark => ({
			kind: 'threshold',
			at: height,
			words: figure(height),
			title: causes.map((one) => `${one.text} (${placeOf(one)}), height ${figure(height)}`).join('\n'),
			place: causes[0] ?? null
		})),
		...[...lengths].flatMap(([length, found]): HeightMark[] => {
			const [first] = found;
			if (!first) return [];
			const said = found.map((one) => `${one.property}: … ${length} (${placeOf(placed(one))})`);
			return [
				{
					kind: 'length',
					at: first.px,
					words: length,
					title: `${length} is ${figure(first.px)} px here\n${said.join('\n')}`,
					place: placed(first)
				}
			];
		}),
		...vantages.map(({ name, height }): HeightMark => ({
			kind: 'vantage',
			at: height,
			words: '',
			title: `Height of ${name}: ${figure(height)} px`,
			place: null
		}))
	];
}

const placed = ({ file, offset }: HeightUse): Pick<MediaSite, 'file' | 'span'> => ({
	file,
	span: { start: offset, end: offset }
});

/** The greatest height of an axis that includes all marks at plausible heights of a window, CSS px. */
export function axisEnd(height: number, marks: readonly HeightMark[]): number {
	const usual = marks.map(({ at }) => at).filter((at) => at <= 1600);
	return Math.ceil(Math.max(1000, height * 1.15, ...usual.map((at) => at * 1.05)) / 100) * 100;
}
