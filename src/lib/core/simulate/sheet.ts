import { sliceOf, walk, type Sheet, type Span } from '../css/index.ts';
import type { Vantage } from '../vantage.ts';
import { applyChanges, type Change } from '../text/index.ts';
import { simulateQuery } from './query.ts';
import { simulateSelector } from './selector.ts';

/** Places of a sheet that a vantage can read otherwise than the engine. */
interface Place {
	readonly kind: 'query' | 'selector';
	readonly span: Span;
	readonly text: string;
}

/** A query in which nothing but the size and density of the viewport is asked stays as it is, in every vantage of 16 px. */
const ASKS_MORE =
	/pointer|hover|prefers|scheme|motion|contrast|colors|color|scripting|update|overflow|device|grid|mono|gamut|range|scan|display-mode|posture|inverted|segments|nav|blending|print|screen|speech|tty|r?em/i;

function placesOf(sheet: Sheet): Place[] {
	const places: Place[] = [];
	for (const node of walk(sheet)) {
		if (node.kind === 'at-rule' && node.name === 'media') {
			const text = sliceOf(sheet.source, node.prelude);
			if (ASKS_MORE.test(text)) places.push({ kind: 'query', span: node.prelude, text });
		} else if (node.kind === 'rule' || (node.kind === 'at-rule' && node.name === 'scope')) {
			const text = sliceOf(sheet.source, node.prelude);
			if (/:(hover|active)/i.test(text)) places.push({ kind: 'selector', span: node.prelude, text });
		}
	}
	return places;
}

/** A sheet that can be read for any number of vantages; the places are found once. */
export function simulatedSheet(sheet: Sheet): (vantage: Vantage) => string {
	const places = placesOf(sheet);
	return (vantage) => {
		const changes = places.map(({ kind, span, text }): Change => {
			const put = kind === 'query' ? simulateQuery(text, vantage) : simulateSelector(text, vantage);
			return { ...span, text: put };
		});
		return applyChanges(sheet.source, changes);
	};
}
