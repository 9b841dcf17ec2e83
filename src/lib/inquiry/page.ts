import type { IntervalSet } from '../core/interval/index.ts';
import type { Bands, MediaQuery } from '../core/media/index.ts';
import type { PageModel } from '../core/page/index.ts';
import type { SeenVantage, Vantage } from '../core/vantage/index.ts';
import type { PageContent } from '../stage/protocol.ts';

/** A page as its sources say it is, and what vantages make of it. */
export interface InquiredPage extends PageModel {
	/** The bands of a vantage. */
	bands(vantage: Vantage): Bands;
	/** The widths of a vantage at which a list of media queries holds. */
	widthsOf(queries: readonly MediaQuery[], vantage: Vantage): IntervalSet;
	/** Where an offset of a file as it is here stands in the file itself. */
	inFile(file: string, offset: number): number;
	/** The page as a frame of a vantage is given it, by what the addresses of its files begin with. */
	content(prefix: string, seen: SeenVantage): PageContent;
	/** The page with another text of one of its files, made of the one that is in force. */
	changed(file: string, change: (text: string) => string): InquiredPage;
}
