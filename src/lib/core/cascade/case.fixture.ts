import { parsePage } from '../html/index.ts';
import { sourcesOf } from '../site/index.ts';
import {
	askingOf,
	cascadeOf,
	hintDeclarations,
	physicalOf,
	styleDeclarations,
	type Case,
	type Engine,
	type Holds
} from './index.ts';

/** An engine with five longhands and one shorthand. */
export const ENGINE: Engine = {
	fits: () => true,
	longhands: ['color', 'font-size', 'margin-left', 'margin-right', 'width'],
	knows: (property) =>
		['color', 'font-size', 'margin', 'margin-left', 'margin-right', 'width'].includes(property),
	expand: (property, value) => {
		if (value === 'nope' || !ENGINE.knows(property)) return null;
		if (property !== 'margin') return new Map([[property, value]]);
		return new Map(
			['margin-left', 'margin-right'].map((name) => [name, value.includes('var(') ? '' : value])
		);
	}
};

/** The case of the element with the id `x`; every selector that contains `.x` matches it. */
export function caseOf(html: string, holds: Holds = () => true): Case {
	const page = parsePage(html);
	const cascade = cascadeOf(
		page,
		'a.html',
		sourcesOf(() => undefined)
	);
	const asking = askingOf(cascade);
	const matches = asking.queries.flatMap(({ selector }, i) =>
		/\.x/.test(selector) && !/-hover/.test(selector) ? [[i, Infinity] as const] : []
	);
	const element = page.elements.find(({ attributes }) => attributes.get('id')?.value === 'x');
	return {
		applying: asking.applying(matches),
		style: element ? styleDeclarations(html, 'a.html', element) : [],
		hints: element ? hintDeclarations('a.html', element) : [],
		layers: cascade.layers,
		holds,
		physical: (longhand) => physicalOf(longhand, { writingMode: 'horizontal-tb', direction: 'ltr' }),
		engine: ENGINE
	};
}
