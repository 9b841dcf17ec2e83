import type { IntervalSet } from '../core/interval/index.ts';
import type { Bands, MediaQuery } from '../core/media/index.ts';
import type { PageModel } from '../core/page/index.ts';
import type { Vantage } from '../core/vantage/index.ts';

/** A page according to its sources, and what vantages make of it. */
export interface InquiredPage extends PageModel {
	/** The texts of the site as this page uses them, by path. */
	readonly texts: ReadonlyMap<string, string>;
	/** The bands of a vantage. */
	bands(vantage: Vantage): Bands;
	/** The widths of a vantage at which a list of media queries holds. */
	widthsOf(queries: readonly MediaQuery[], vantage: Vantage): IntervalSet;
	/** Where an offset of a file as used here is in the file itself. */
	inFile(file: string, offset: number): number;
	/** The page with another text of one of its files, computed from the present one. */
	changed(file: string, change: (text: string) => string): InquiredPage;
}
