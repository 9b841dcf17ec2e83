import type { EditorState, Extension } from '@codemirror/state';
import { EditorView, hoverTooltip } from '@codemirror/view';
import { rationalFromNumber, toNumber } from '../core/interval/index.ts';
import { lengthAt, quantity, valueAt, type Expression } from '../core/length/index.ts';
import { lengthContext } from '../core/media/index.ts';
import type { Vantage } from '../core/vantage/index.ts';
import { pageWords } from './complete.ts';

/** The vantages in which a length is told; the Bench puts them here. */
export const hoverVantages: { of: () => readonly Vantage[] } = { of: () => [] };

/** Units whose px depend on the element, which a sheet alone does not tell. */
const BY_ELEMENT = /^(?:em|ex|ch|ic|lh|cap|cq\w+)$/;

const unitsOf = (expression: Expression): string[] => {
	switch (expression.kind) {
		case 'number':
			return [];
		case 'dimension':
			return [expression.unit];
		case 'negate':
		case 'invert':
			return unitsOf(expression.of);
		default:
			return expression.of.flatMap(unitsOf);
	}
};

/** A length in px in each vantage; null where it is the same px everywhere, or not to be told from the text. */
function lengthLines(expression: Expression): string[] | null {
	const units = unitsOf(expression);
	if (units.some((unit) => BY_ELEMENT.test(unit)) || units.every((unit) => unit === 'px')) return null;
	const lines = hoverVantages.of().flatMap((vantage) => {
		const found = quantity(expression, lengthContext(vantage));
		if (found?.type !== 'length') return [];
		const px = toNumber(valueAt(found.form, rationalFromNumber(vantage.width)));
		return [`${vantage.name} ${Math.round(vantage.width)}: ${Math.round(px * 1000) / 1000} px`];
	});
	const root = units.some((unit) => /^r/.test(unit)) ? ['rem as the text size set in the browser'] : [];
	return lines.length > 0 ? [...lines, ...root] : null;
}

function wordsAt(state: EditorState, offset: number): { from: number; to: number; lines: string[] } | null {
	const line = state.doc.lineAt(offset);
	const at = offset - line.from;
	for (const match of line.text.matchAll(/--[\w-]+/g)) {
		if (match.index > at || match.index + match[0].length < at) continue;
		const value = pageWords.of().customProperties.get(match[0]);
		const said = value === undefined ? 'given a value in no sheet of this page' : `first given: ${value}`;
		const from = line.from + match.index;
		return { from, to: from + match[0].length, lines: [`${match[0]} ${said}`] };
	}
	const length = lengthAt(line.text, at);
	const lines = length && lengthLines(length.expression);
	return length && lines
		? { from: line.from + length.span.start, to: line.from + length.span.end, lines }
		: null;
}

/** Under the pointer: what a length is in every vantage, and what a custom property is first given. */
export const hovers: Extension = [
	hoverTooltip((view, offset) => {
		const found = wordsAt(view.state, offset);
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
				return { dom };
			}
		};
	}),
	EditorView.baseTheme({ '.cm-hovered': { padding: '6px 10px', fontFamily: 'var(--mono)' } })
];
