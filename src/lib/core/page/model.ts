import type { Page } from '../html/index.ts';
import { solverOf, type Solver } from '../media/index.ts';
import {
	conditionsOfPage,
	sheetsOfPage,
	type PageConditions,
	type SheetUse,
	type Sources
} from '../site/index.ts';
import type { Vantage } from '../vantage/index.ts';
import { rememberedBy } from '../remember/index.ts';

/** One page of a site according to its sources. */
export interface PageModel {
	readonly path: string;
	readonly source: string;
	readonly sources: Sources;
	readonly page: Page;
	readonly sheets: readonly SheetUse[];
	readonly conditions: PageConditions;
}

/** A page whose texts do not change; each part is computed on demand. */
export function pageModel(path: string, sources: Sources): PageModel {
	const source = sources.text(path) ?? '';
	let sheets: readonly SheetUse[] | undefined;
	let conditions: PageConditions | undefined;
	return {
		path,
		source,
		sources,
		get page() {
			return sources.page(source);
		},
		get sheets() {
			return (sheets ??= sheetsOfPage(this.page, path));
		},
		get conditions() {
			return (conditions ??= conditionsOfPage(this.page, path, sources));
		}
	};
}

/** The number of vantages for which solutions are cached. */
const MOST_SOLVERS = 50;

/** Solvers by vantage, each with a cache: solutions do not depend on the vantage's width. */
export const solvers = (): ((vantage: Vantage) => Solver) =>
	rememberedBy(MOST_SOLVERS, (vantage) => JSON.stringify({ ...vantage, name: '', width: 0 }), solverOf);
