import { insist } from '../session/insist.ts';
import type { EditorState, Extension } from '@codemirror/state';
import { EditorView, hoverTooltip } from '@codemirror/view';
import { walk, type Rule, type Span } from '../core/css/index.ts';
import { rationalFromNumber, toNumber } from '../core/interval/index.ts';
import {
	curveInWords,
	curveOf,
	lengthAt,
	line,
	lineOver,
	over,
	partsOf,
	valueOn,
	type Curve,
	type Expression
} from '../core/length/index.ts';
import { lengthContext } from '../core/media/index.ts';
import { elementsOf, selectorsIn, wholeSelector } from '../core/selector/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import { sheetPartAt } from '../writing/sheetParts.ts';
import { counted } from '../core/text/index.ts';
import { hitsOf, type FileHits } from '../inquiry/hits.ts';
import { hostOf, type EditorHost } from './host.ts';

/** Units whose px depend on the element, which a sheet alone does not tell. */
const BY_ELEMENT = /^(?:em|ex|ch|ic|lh|cap|cq\w+)$/;

const unitsOf = (expression: Expression): string[] =>
	[...partsOf(expression)].flatMap((part) => (part.kind === 'dimension' ? part.unit : []));

/** The widths over which changes of a length are described, CSS px. */
const OVER = over(rationalFromNumber(1), rationalFromNumber(8000));

/** A length as a curve in a vantage; undefined where the text alone does not tell. */
function lengthCurve(expression: Expression, vantage: Vantage): Curve | undefined {
	const { em, heights } = lengthContext(vantage);
	const size = lineOver(OVER, line(em));
	const found = curveOf(expression, { over: OVER, em: size, rem: size, heights });
	return found.kind === 'curve' && found.type === 'length' ? found.curve : undefined;
}

/**
 * A length in px in each of some vantages; null where it is the same px everywhere, or the text alone does not tell.
 */
function lengthLines(expression: Expression, vantages: readonly Vantage[]): string[] | null {
	const units = unitsOf(expression);
	if (units.some((unit) => BY_ELEMENT.test(unit)) || units.every((unit) => unit === 'px')) return null;
	const lines = vantages.flatMap((vantage) => {
		const length = lengthCurve(expression, vantage);
		const here = length && valueOn(length, rationalFromNumber(vantage.width));
		if (!here) return [];
		const px = toNumber(here);
		return [`${vantage.name} ${Math.round(vantage.width)}: ${Math.round(px * 1000) / 1000} px`];
	});
	const [first] = vantages;
	const curved = first && lengthCurve(expression, first);
	/** How it changes over all widths, where it does. */
	const goes = curved && (curved.length > 1 || curved[0]?.line.slope.n !== 0n) ? [curveInWords(curved)] : [];
	const root = units.some((unit) => /^r/.test(unit)) ? ['rem as the text size set in the browser'] : [];
	return lines.length > 0 ? [...lines, ...goes, ...root] : null;
}

async function wordsAt(state: EditorState, offset: number): Promise<Hovered | null> {
	const { answers } = hostOf(state).site;
	const line = state.doc.lineAt(offset);
	const at = offset - line.from;
	for (const match of line.text.matchAll(/--[\w-]+/g)) {
		if (match.index > at || match.index + match[0].length < at) continue;
		const value = (await answers.pageNames()).customProperties.get(match[0]);
		const said = value === undefined ? 'given a value in no sheet of this page' : `first given: ${value}`;
		const from = line.from + match.index;
		return { from, to: from + match[0].length, lines: [`${match[0]} ${said}`] };
	}
	const length = lengthAt(line.text, at);
	const lines = length && lengthLines(length.expression, answers.vantages());
	return length && lines
		? { from: line.from + length.span.start, to: line.from + length.span.end, lines }
		: null;
}

interface Hovered {
	readonly from: number;
	readonly to: number;
	readonly lines: readonly string[];
	/** What is outlined in the frames meanwhile. */
	readonly selector?: string;
}

/** The number of matches of each selector of a rule, one line each; for a list of several also the whole. */
async function hitLines(
	source: string,
	rule: Rule,
	{ site: { answers }, path }: EditorHost
): Promise<string[]> {
	const list = selectorsIn(wholeSelector(source, rule));
	const whole = list.join(', ');
	const hits = await hitsOf(answers, whole, path);
	if (!hits) return [];
	const { here, isOnPage, elsewhere, near } = hits;
	if (!isOnPage) return ['not on this page', ...elsewhereLines(elsewhere)];
	const words = (n: number | null | undefined): string =>
		typeof n === 'number' ? counted(n, 'element') : 'no browser reads it';
	const each = list.length > 1 ? await answers.hits(list.map(elementsOf)) : [];
	return [
		...each.map((count, i) => `${list[i] ?? ''}: ${words(count)}`),
		here === null
			? 'no browser reads this selector'
			: `${list.length > 1 ? 'together' : 'matches'} ${words(here)} on this page`,
		...near.map(({ selector, how, count }) => `${selector} would match ${counted(count, 'element')}: ${how}`),
		...elsewhereLines(elsewhere)
	];
}

/** At most so many pages are named; more are counted. */
const NAMED = 6;

function elsewhereLines(pages: FileHits['elsewhere']): string[] {
	const hit = pages.flatMap(([path, count]) => (count > 0 ? [`${path} ${count}`] : []));
	if (pages.length === 0) return [];
	if (hit.length === 0) return [`on none of the ${pages.length} other pages that have this file`];
	const more = hit.length > NAMED ? ` and ${hit.length - NAMED} more` : '';
	return [`on other pages: ${hit.slice(0, NAMED).join(', ')}${more}`];
}

/** What a property is for, or what a selector matches, for the node of a sheet at an offset. */
async function nodeAt(state: EditorState, kind: 'page' | 'sheet', offset: number): Promise<Hovered | null> {
	const text = state.doc.toString();
	const part = sheetPartAt(text, kind, offset);
	if (!part) return null;
	const source = text.slice(part.start, part.end);
	const at = offset - part.start;
	const within = ({ start, end }: Span): boolean => start <= at && at < end;
	const hovered = ({ start, end }: Span, lines: readonly string[]): Hovered | null =>
		lines.length > 0 ? { from: part.start + start, to: part.start + end, lines } : null;
	for (const node of walk(hostOf(state).site.parsers.sheet(source))) {
		if (node.kind === 'declaration' && within(node.name)) {
			const { purposeOf } = await insist(() => import('../core/grammar/index.ts'));
			const purpose = purposeOf(node.property);
			return hovered(node.name, purpose === undefined ? [] : [`${node.property}: ${purpose}`]);
		}
		if (node.kind === 'rule' && within(node.prelude)) {
			const found = hovered(node.prelude, await hitLines(source, node, hostOf(state)));
			return found && { ...found, selector: elementsOf(wholeSelector(source, node)) };
		}
	}
	return null;
}

/**
 * Under the pointer: a length in every vantage, the first value of a custom property, what a property is for, and how
 * many elements a selector matches.
 */
export const hovers = (kind: 'page' | 'sheet'): Extension => [
	hoverTooltip(async (view, offset) => {
		const { answers } = hostOf(view.state).site;
		const found = (await wordsAt(view.state, offset)) ?? (await nodeAt(view.state, kind, offset));
		if (!found) return null;
		return {
			pos: found.from,
			end: found.to,
			above: true,
			create() {
				const dom = document.createElement('div');
				dom.className = 'cm-hovered';
				for (const words of found.lines) {
					const row = document.createElement('div');
					row.textContent = words;
					dom.append(row);
				}
				return {
					dom,
					mount: () => answers.outline(found.selector ?? ''),
					destroy: () => answers.outline('')
				};
			}
		};
	}),
	EditorView.baseTheme({
		'.cm-hovered': { maxWidth: '62ch', padding: '0.375rem 0.625rem', fontFamily: 'var(--mono)' }
	})
];
