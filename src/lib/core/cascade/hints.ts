import { attribute, type PageElement } from '../html/index.ts';
import type { StyleDeclaration } from './case.ts';

/** A presentational attribute: for which tags, and what it declares, as property and value. */
interface Hint {
	readonly attribute: string;
	readonly tags: string;
	readonly of: (value: string) => readonly (readonly [property: string, value: string])[];
}

/** A length or percentage by the rules for dimension values (HTML §2.3.4.4); null where it is neither. */
function dimension(value: string): string | null {
	const [, number, percent] = /^\s*\+?(\d+(?:\.\d*)?)(%?)/.exec(value) ?? [];
	return number === undefined ? null : `${Number(number)}${percent ? '%' : 'px'}`;
}

const px = (value: string): string | null => {
	const [number] = /^\s*\+?\d+/.exec(value) ?? [];
	return number === undefined ? null : `${Number(number)}px`;
};

/** A legacy colour (HTML §2.3.6) of the usual kinds: a name, or hex with or without `#`. */
const colour = (value: string): string =>
	/^[0-9a-f]{6}$/i.test(value.trim()) ? `#${value.trim()}` : value.trim();

type Read = (value: string) => string | null;
const sets =
	(read: Read, ...properties: readonly string[]): Hint['of'] =>
	(value) => {
		const found = read(value);
		return found === null ? [] : properties.map((property) => [property, found] as const);
	};
const keywords =
	(property: string, values: Readonly<Record<string, string>>): Hint['of'] =>
	(value) => {
		const found = values[value.trim().toLowerCase()];
		return found === undefined ? [] : [[property, found]];
	};
const always =
	(property: string, value: string): Hint['of'] =>
	() => [[property, value]];

const CELLS = 'td th';
const ROWS = 'tr thead tbody tfoot';
const EMBEDDED = 'img video iframe embed object';
const FONT_SIZES = ['x-small', 'x-small', 'small', 'medium', 'large', 'x-large', 'xx-large', 'xxx-large'];

/** The table that a cell belongs to. */
function tableOf(element: PageElement): PageElement | null {
	let at = element.parent;
	while (at && at.tag !== 'table') at = at.parent;
	return at;
}

const ALIGNED = { left: 'left', right: 'right', center: 'center', justify: 'justify' };
const BLOCKS = { left: '-webkit-left', right: '-webkit-right', center: '-webkit-center', justify: 'justify' };
const margins: Hint['of'] = (value) => {
	const side = value.trim().toLowerCase();
	const [left, right] =
		side === 'left' ? ['0px', 'auto'] : side === 'right' ? ['auto', '0px'] : ['auto', 'auto'];
	return /^(left|right|center)$/.test(side)
		? ([
				['margin-left', left],
				['margin-right', right]
			] as const)
		: [];
};

/**
 * Presentational hints (HTML §15.2 to §15.4), as far as pages use them; a table's cell padding and rules come with
 * its cells.
 */
const HINTS: readonly Hint[] = [
	{ attribute: 'width', tags: `${EMBEDDED} table col colgroup ${CELLS} hr`, of: sets(dimension, 'width') },
	{ attribute: 'height', tags: `${EMBEDDED} table ${ROWS} ${CELLS}`, of: sets(dimension, 'height') },
	{ attribute: 'bgcolor', tags: `body table ${ROWS} ${CELLS}`, of: sets(colour, 'background-color') },
	{
		attribute: 'background',
		tags: `body table ${ROWS} ${CELLS}`,
		of: sets((value) => `url("${value.trim()}")`, 'background-image')
	},
	{ attribute: 'text', tags: 'body', of: sets(colour, 'color') },
	{ attribute: 'color', tags: 'font', of: sets(colour, 'color') },
	{ attribute: 'face', tags: 'font', of: sets((value) => value, 'font-family') },
	{
		attribute: 'size',
		tags: 'font',
		of: sets((value) => {
			const [, sign, number] = /^\s*([+-]?)(\d+)/.exec(value) ?? [];
			if (number === undefined) return null;
			const size = sign === '+' ? 3 + Number(number) : sign === '-' ? 3 - Number(number) : Number(number);
			return FONT_SIZES[Math.min(7, Math.max(1, size))] ?? null;
		}, 'font-size')
	},
	{ attribute: 'align', tags: `${CELLS} ${ROWS}`, of: keywords('text-align', BLOCKS) },
	{ attribute: 'align', tags: 'h1 h2 h3 h4 h5 h6', of: keywords('text-align', ALIGNED) },
	{ attribute: 'align', tags: 'div p', of: keywords('text-align', BLOCKS) },
	{
		attribute: 'align',
		tags: 'img iframe embed object',
		of: keywords('float', { left: 'left', right: 'right' })
	},
	{
		attribute: 'align',
		tags: 'img iframe embed object',
		of: keywords('vertical-align', {
			left: 'top',
			right: 'top',
			top: 'top',
			absmiddle: 'middle',
			middle: '-webkit-baseline-middle',
			bottom: 'baseline'
		})
	},
	{ attribute: 'align', tags: 'table', of: keywords('float', { left: 'left', right: 'right' }) },
	{ attribute: 'align', tags: 'table', of: (value) => (/^\s*center\s*$/i.test(value) ? margins(value) : []) },
	{ attribute: 'align', tags: 'hr', of: margins },
	{
		attribute: 'valign',
		tags: `${CELLS} ${ROWS} col colgroup`,
		of: keywords('vertical-align', { top: 'top', middle: 'middle', bottom: 'bottom', baseline: 'baseline' })
	},
	{ attribute: 'nowrap', tags: CELLS, of: always('white-space', 'nowrap') },
	{
		attribute: 'hspace',
		tags: 'img embed object iframe',
		of: sets(dimension, 'margin-left', 'margin-right')
	},
	{
		attribute: 'vspace',
		tags: 'img embed object iframe',
		of: sets(dimension, 'margin-top', 'margin-bottom')
	},
	{ attribute: 'cellspacing', tags: 'table', of: sets(px, 'border-spacing') },
	{ attribute: 'leftmargin', tags: 'body', of: sets(px, 'margin-left', 'margin-right') },
	{ attribute: 'marginwidth', tags: 'body', of: sets(px, 'margin-left', 'margin-right') },
	{ attribute: 'topmargin', tags: 'body', of: sets(px, 'margin-top', 'margin-bottom') },
	{ attribute: 'marginheight', tags: 'body', of: sets(px, 'margin-top', 'margin-bottom') },
	{
		attribute: 'type',
		tags: 'ol ul li',
		of: (value) => {
			const types: Readonly<Record<string, string>> = {
				'1': 'decimal',
				a: 'lower-alpha',
				A: 'upper-alpha',
				i: 'lower-roman',
				I: 'upper-roman'
			};
			const named = /^(disc|circle|square|none)$/i.exec(value.trim())?.[0].toLowerCase();
			const type = types[value.trim()] ?? named;
			return type === undefined ? [] : [['list-style-type', type]];
		}
	}
];

const byTag = new Map<string, Hint[]>();
for (const hint of HINTS) {
	for (const tag of hint.tags.split(' ')) byTag.set(tag, [...(byTag.get(tag) ?? []), hint]);
}

/** Attributes of SVG elements that are properties (SVG 2 §6.6), except those that are dimensions of a shape. */
const SVG = new Set(
	'clip-path clip-rule color color-interpolation color-interpolation-filters cursor direction display dominant-baseline fill fill-opacity fill-rule filter flood-color flood-opacity font-family font-size font-style font-variant font-weight letter-spacing lighting-color marker-end marker-mid marker-start mask mask-type opacity overflow paint-order pointer-events shape-rendering stop-color stop-opacity stroke stroke-dasharray stroke-dashoffset stroke-linecap stroke-linejoin stroke-miterlimit stroke-opacity stroke-width text-anchor text-decoration text-rendering transform-origin unicode-bidi vector-effect visibility word-spacing writing-mode'.split(
		' '
	)
);

function isSvg(element: PageElement): boolean {
	for (let at: PageElement | null = element; at; at = at.parent) if (at.tag === 'svg') return true;
	return false;
}

/** What a table declares for its cells. */
function cellHints(
	element: PageElement
): [from: PageElement, attribute: string, property: string, value: string][] {
	if (element.tag !== 'td' && element.tag !== 'th') return [];
	const table = tableOf(element);
	// A table that does not say otherwise pads its cells by one pixel.
	const padding = table && (px(attribute(table, 'cellpadding') ?? '') ?? '1px');
	const border = table && attribute(table, 'border');
	const found: [PageElement, string, string, string][] = [];
	if (table && padding) found.push([table, 'cellpadding', 'padding', padding]);
	if (table && border !== undefined && border !== null && border.trim() !== '0') {
		found.push([table, 'border', 'border-width', '1px'], [table, 'border', 'border-style', 'inset']);
	}
	return found;
}

/**
 * What an element's presentational attributes declare: the weakest of the page's own declarations, each with the name
 * of its attribute.
 */
export function hintDeclarations(
	file: string,
	element: PageElement
): (StyleDeclaration & { readonly attribute: string })[] {
	const found: (StyleDeclaration & { readonly attribute: string })[] = [];
	const put = (from: PageElement, name: string, property: string, value: string): void => {
		const span = from.attributes.get(name)?.span ?? from.startTag;
		if (span) found.push({ property, value, important: false, span, file, attribute: name });
	};
	for (const hint of byTag.get(element.tag) ?? []) {
		const value = attribute(element, hint.attribute);
		if (value === undefined) continue;
		for (const [property, written] of hint.of(value)) put(element, hint.attribute, property, written);
	}
	for (const [from, name, property, value] of cellHints(element)) put(from, name, property, value);
	const border = element.tag === 'table' || element.tag === 'img' ? attribute(element, 'border') : undefined;
	if (border !== undefined) {
		const wide = px(border) ?? (element.tag === 'table' ? '1px' : null);
		if (wide !== null && wide !== '0px') {
			put(element, 'border', 'border-width', wide);
			put(element, 'border', 'border-style', element.tag === 'table' ? 'outset' : 'solid');
		}
	}
	const [width, height] = [attribute(element, 'width'), attribute(element, 'height')];
	if (/^(img|video)$/.test(element.tag) && width !== undefined && height !== undefined) {
		const [across, down] = [dimension(width), dimension(height)].map(
			(one) => /^([\d.]+)px$/.exec(one ?? '')?.[1]
		);
		if (across && down) put(element, 'width', 'aspect-ratio', `auto ${across} / ${down}`);
	}
	if (isSvg(element)) {
		for (const [name, { value }] of element.attributes) if (SVG.has(name)) put(element, name, name, value);
	}
	return found;
}
