import { insist } from '../session/insist.ts';
import {
	autocompletion,
	type Completion,
	type CompletionContext,
	type CompletionResult
} from '@codemirror/autocomplete';
import { syntaxTree } from '@codemirror/language';
import type { EditorState, Extension } from '@codemirror/state';
import { caretAt, type Caret } from '../core/css/index.ts';
import { classesOursFirst, type PageNames } from '../core/site/index.ts';
import type { PageAnswers } from '../session/answers.ts';
import { hostOf } from './host.ts';
import { sheetPartAt } from '../writing/sheetParts.ts';

/** The grammar is large, so it is loaded with the first completion. */
const grammar = () => insist(() => import('../core/grammar/index.ts'));

const AT_RULES = [
	'@media',
	'@supports',
	'@layer',
	'@container',
	'@import',
	'@font-face',
	'@keyframes',
	'@property',
	'@scope',
	'@starting-style'
];
const FEATURES = [
	'(width >= )',
	'(width < )',
	'(min-width: )',
	'(max-width: )',
	'(height >= )',
	'(orientation: portrait)',
	'(orientation: landscape)',
	'(hover: hover)',
	'(hover: none)',
	'(pointer: coarse)',
	'(pointer: fine)',
	'(prefers-reduced-motion: reduce)',
	'(prefers-color-scheme: dark)',
	'(prefers-contrast: more)',
	'(min-resolution: 2dppx)',
	'print',
	'screen'
];
/** Units by their frequency in breakpoint stylesheets; a percent sign is a single key anyway. */
const UNITS =
	'px rem em vw vh svh dvh lvh vi vb vmin vmax ch lh rlh fr cqi cqw cqb cqh ex cap ic svw dvw lvw deg turn rad s ms dppx'.split(
		' '
	);
const GLOBAL = ['inherit', 'initial', 'unset', 'revert', 'revert-layer'];

/** So many characters before a place are searched for the start of its tag. */
const MOST_OF_TAG = 2000;

const options = (labels: Iterable<string>, type: string, boost = 0): Completion[] =>
	[...labels].map((label) => ({ label, type, boost }));

const customProperties = ({ customProperties: known }: PageNames, wrap: boolean): Completion[] =>
	[...known].map(([name, value]) => ({
		label: wrap ? `var(${name})` : name,
		detail: value,
		type: 'variable'
	}));

async function optionsFor(caret: Caret, answers: PageAnswers): Promise<Completion[]> {
	const words = await answers.pageNames();
	switch (caret.kind) {
		case 'property': {
			const { PROPERTY_NAMES } = await grammar();
			return [
				...options(PROPERTY_NAMES, 'property').map((one) => ({ ...one, apply: `${one.label}: ` })),
				...customProperties(words, false)
			];
		}
		case 'value': {
			const { keywordsOf } = await grammar();
			const used = await answers.usedValues(caret.property);
			const own = customProperties(words, true);
			const valueOf = new Map(own.map(({ label, detail }) => [label, detail]));
			return [
				...used.map(({ value, count }, i) => ({
					label: value,
					type: 'constant',
					boost: Math.max(51, 90 - i),
					detail: [`${count} ×`, valueOf.get(value)].filter(Boolean).join(', ')
				})),
				...keywordsOf(caret.property).map((label, i) => ({
					label,
					type: 'keyword',
					boost: Math.max(2, 50 - i)
				})),
				...own
					.filter(({ label }) => !used.some(({ value }) => value === label))
					.map((one) => ({ ...one, boost: 1 })),
				...options(GLOBAL, 'keyword', -1)
			];
		}
		case 'custom-property':
			return customProperties(words, false);
		case 'media':
			return [
				...words.conditions.map((label, i) => ({
					label,
					type: 'constant',
					boost: 50 - i,
					detail: 'in use here'
				})),
				...options(FEATURES, 'keyword')
			];
		case 'at-rule':
			return options(AT_RULES, 'keyword');
		case 'class':
			return options(words.classes, 'class');
		case 'id':
			return options(words.ids, 'class');
		case 'selector':
			return options(words.tags, 'type');
	}
}

/** Completions at the caret of a sheet, whose text begins at `offset` of the document. */
async function complete(
	context: CompletionContext,
	text: string,
	offset: number
): Promise<CompletionResult | null> {
	const caret = caretAt(text, context.pos - offset);
	const number = caret?.kind === 'value' ? /^\d+(?=[a-z]*$)/i.exec(caret.word)?.[0] : undefined;
	if (caret && number !== undefined) {
		const units = UNITS.map((unit, i) => ({ label: number + unit, type: 'unit', boost: -i }));
		// Nothing is offered after digits or a complete unit, so that Enter ends the line there.
		const whole = caret.word === number || UNITS.includes(caret.word.slice(number.length));
		return whole && !context.explicit ? null : { from: offset + caret.from, options: units };
	}
	if (!caret || /^\d/.test(caret.word)) return null;
	const begins = /[:.#(]\s*$/.test(text.slice(0, context.pos - offset)) && caret.kind !== 'selector';
	if (!context.explicit && caret.word === '' && !begins) return null;
	// A condition is inserted whole, with its bracket.
	const bracket = caret.kind === 'media' && text[caret.from - 1] === '(' ? 1 : 0;
	return {
		from: offset + caret.from - bracket,
		options: await optionsFor(caret, hostOf(context.state).site.answers),
		validFor: /^[-@(\w]*$/
	};
}

/** Where the value of a `class` attribute begins, before a place in it. */
const IN_CLASS = /<[a-z][^<>]*\sclass\s*=\s*(?:"[^"<>]*|'[^'<>]*|[^\s"'<>=]*)$/i;

/** The classes of the page and of its sheets, our own first, in a `class` attribute. */
async function inClass({ state, pos }: CompletionContext): Promise<CompletionResult | null> {
	const before = state.sliceDoc(Math.max(0, pos - MOST_OF_TAG), pos);
	if (!IN_CLASS.test(before)) return null;
	const { site } = hostOf(state);
	const names = classesOursFirst(await site.answers.pageNames(), (file) => site.given.has(file));
	const [word = ''] = /[^\s"'=]*$/.exec(before) ?? [];
	return {
		from: pos - word.length,
		options: names.map((label, i) => ({ label, type: 'class', boost: Math.max(-99, 90 - i) })),
		validFor: /^[^\s"'=<>]*$/
	};
}

async function inPage(context: CompletionContext): Promise<CompletionResult | null> {
	const classes = await inClass(context);
	if (classes) return classes;
	const text = context.state.doc.toString();
	const part = sheetPartAt(text, 'page', context.pos);
	if (part) return complete(context, text.slice(part.start, part.end), part.start);
	const { htmlCompletionSource } = await insist(() => import('@codemirror/lang-html'));
	return htmlCompletionSource(context);
}

/**
 * The start of the outermost rule around a place of a sheet, or of the one before it: what precedes it does not
 * affect completion. The start of the text where the sheet has not been parsed so far.
 */
function pieceStart(state: EditorState, pos: number): number {
	const tree = syntaxTree(state);
	if (tree.length < pos) return 0;
	let node = tree.resolveInner(pos, -1);
	if (!node.parent) return node.childBefore(pos)?.from ?? 0;
	while (node.parent?.parent) node = node.parent;
	return node.from;
}

function inSheet(context: CompletionContext): Promise<CompletionResult | null> {
	const { state, pos } = context;
	const start = pieceStart(state, pos);
	return complete(context, state.sliceDoc(start, pos), start);
}

/** Completion by context: the grammar for properties and values, the page and its sheets for names. */
export const completing = (kind: 'page' | 'sheet'): Extension =>
	autocompletion({
		icons: false,
		override: [kind === 'page' ? inPage : inSheet]
	});
