import { sliceOf, walk, type Block, type Sheet } from '../css/index.ts';
import { T, tokensOf } from '../css/tokens.ts';
import { evaluate, type MediaSite } from '../media/index.ts';
import { rememberedWith } from '../remember/index.ts';
import type { PageConditions, Sources } from '../site/index.ts';
import { heightsOf, type Vantage, type ViewportHeights } from '../vantage/index.ts';

/** A length in a sheet that depends on the window's height. */
export interface HeightUse {
	readonly file: string;
	/** Where its declaration begins, an offset in the file. */
	readonly offset: number;
	readonly property: string;
	/** As written: `60vh`. */
	readonly length: string;
	/** CSS px in the vantage. */
	readonly px: number;
}

/** The height that each unit is a hundredth of (CSS Values 4 §6.1.2); vertical writing modes are not considered. */
const UNITS: Readonly<Record<string, keyof ViewportHeights>> = {
	vh: 'large',
	svh: 'small',
	lvh: 'large',
	dvh: 'dynamic',
	vb: 'large',
	svb: 'small',
	lvb: 'large',
	dvb: 'dynamic'
};
const SOME_UNIT = /\d(?:[sld]?v[hb])\b/i;
const LENGTH = /^([+-]?[\d.]+(?:e[+-]?\d+)?)([a-z]+)$/i;

interface Written {
	readonly start: number;
	readonly property: string;
	readonly length: string;
	readonly share: number;
	readonly by: keyof ViewportHeights;
	readonly parent: Block;
}

/** Each sheet is searched once. */
const writtenIn = rememberedWith(
	(sheet: Sheet) => sheet,
	(sheet): readonly Written[] => {
		if (!SOME_UNIT.test(sheet.source)) return [];
		const found: Written[] = [];
		for (const node of walk(sheet)) {
			if (node.kind !== 'declaration') continue;
			const value = sliceOf(sheet.source, node.value);
			if (!SOME_UNIT.test(value)) continue;
			const { count, types, starts } = tokensOf(value);
			for (let i = 0; i < count; i++) {
				if (types[i] !== T.Dimension) continue;
				const length = value.slice(starts[i], starts[i + 1] ?? value.length);
				const [, number = '', unit = ''] = LENGTH.exec(length) ?? [];
				const by = UNITS[unit.toLowerCase()];
				const { span, property, parent } = node;
				if (by) found.push({ start: span.start, property, length, share: Number(number) / 100, by, parent });
			}
		}
		return found;
	}
);

/** The lengths in `vh` and the like in a page's sheets where a vantage's conditions hold, by length. */
export function heightUses(
	{ places, media }: PageConditions,
	sources: Sources,
	vantage: Vantage
): HeightUse[] {
	const heights = heightsOf(vantage);
	const conditionAt = new Map(media.map((site) => [`${site.file} ${site.span.start}`, site]));
	const holds = (site: MediaSite | undefined): boolean => !site || evaluate(site.queries, vantage);
	const uses = places.flatMap(({ file, text, offset, within }) => {
		if (!within.every(holds)) return [];
		return writtenIn(sources.sheet(text)).flatMap(({ start, property, length, share, by, parent }) => {
			for (let at: Block = parent; at.kind !== 'sheet'; at = at.parent) {
				const isMedia = at.kind === 'at-rule' && at.name === 'media';
				if (isMedia && !holds(conditionAt.get(`${file} ${at.prelude.start + offset}`))) return [];
			}
			return [{ file, offset: start + offset, property, length, px: share * heights[by] }];
		});
	});
	return uses.sort((a, b) => a.px - b.px);
}
