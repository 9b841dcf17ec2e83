import { insist } from '../session/insist.ts';
import { closeBrackets, closeBracketsKeymap, completionKeymap } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap, indentWithTab } from '@codemirror/commands';
import { css } from '@codemirror/lang-css';
import {
	bracketMatching,
	foldGutter,
	foldKeymap,
	HighlightStyle,
	indentOnInput,
	indentUnit,
	syntaxHighlighting
} from '@codemirror/language';
import { highlightSelectionMatches, searchKeymap } from '@codemirror/search';
import { Compartment, EditorState, type Extension } from '@codemirror/state';
import {
	drawSelection,
	EditorView,
	highlightActiveLine,
	keymap,
	lineNumbers,
	ViewPlugin
} from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { indentationOf } from '../core/text/index.ts';
import type { SiteState } from '../session/site.svelte.ts';
import { completing } from './complete.ts';
import { forceBars } from './force.ts';
import { deles } from './deles.ts';
import { editorHost } from './host.ts';
import { hovers } from './hover.ts';
import { notesAtLines } from './notes.ts';
import { moving } from './moves.ts';
import { muting } from './muting.ts';
import { nudging } from './nudge.ts';
import { afterFrames } from '../session/painted.ts';
import { pictureDrop } from './pictureDrop.ts';
import { stepMarks } from '../session/steps.ts';
import { wrappingLines } from './wrapping.svelte.ts';

/** Names are not broken at their hyphens where lines are wrapped. */
const whole = { whiteSpace: 'pre' } as const;

const colours = HighlightStyle.define([
	{ tag: tags.comment, color: 'var(--ink-2)', fontStyle: 'italic' },
	{ tag: [tags.propertyName, tags.attributeName], color: 'var(--blue)', ...whole },
	{
		tag: [tags.keyword, tags.definitionKeyword, tags.modifier, tags.operatorKeyword],
		color: 'var(--plum)',
		...whole
	},
	{ tag: [tags.string, tags.url], color: 'var(--verdigris)' },
	{ tag: [tags.variableName, tags.definition(tags.variableName)], color: 'var(--blue)', ...whole },
	{ tag: tags.tagName, color: 'var(--plum)', ...whole },
	{ tag: [tags.className, tags.labelName], ...whole },
	{ tag: tags.invalid, color: 'var(--rubric)' }
]);

const theme = EditorView.theme({
	'&': { height: '100%', fontSize: '0.8125rem', color: 'var(--ink)', background: 'var(--sheet)' },
	'&.cm-focused': { outline: 'none' },
	'.cm-scroller': { fontFamily: 'var(--mono)', lineHeight: '1.45', fontVariantLigatures: 'none' },
	'.cm-gutters': { background: 'var(--sheet)', color: 'var(--ink-2)', border: 'none' },
	'.cm-lineNumbers .cm-gutterElement': { padding: '0 6px 0 14px' },
	'.cm-activeLine, .cm-activeLineGutter': { background: 'var(--tint)' },
	'.cm-cursor': { borderLeftColor: 'var(--ink)', borderLeftWidth: '2px' },
	'&.cm-focused > .cm-scroller > .cm-selectionLayer .cm-selectionBackground, .cm-selectionBackground': {
		background: 'var(--pick)'
	},
	'.cm-panels': { background: 'var(--paper)', color: 'var(--ink)', borderColor: 'var(--hair)' },
	'.cm-panels input, .cm-panels button': { font: 'inherit', color: 'inherit' },
	'.cm-matchingBracket': { background: 'var(--pick)', outline: 'none' },
	'.cm-selectionMatch': { background: 'var(--tint)' },
	'.cm-foldGutter .cm-gutterElement': { color: 'var(--ink-2)', cursor: 'pointer' },
	'.cm-note': {
		fontFamily: 'var(--text)',
		color: 'var(--rubric)',
		marginLeft: '1.5em',
		whiteSpace: 'normal'
	},
	'.cm-note::before': { content: '"‸ "', fontWeight: 'bold' },
	'.cm-tooltip': { background: 'var(--sheet)', color: 'var(--ink)', border: '1px solid var(--ink)' },
	'.cm-tooltip-autocomplete > ul': { fontFamily: 'var(--mono)' },
	'.cm-tooltip-autocomplete > ul > li': { padding: '2px 8px !important' },
	'.cm-tooltip-autocomplete > ul > li[aria-selected]': {
		background: 'var(--pick) !important',
		color: 'var(--ink) !important'
	},
	'.cm-completionMatchedText': { textDecoration: 'none', fontWeight: '700' },
	'.cm-completionDetail': { color: 'var(--ink-2)', fontStyle: 'normal' },
	'.cm-goto': { background: 'var(--pick)' }
});

const language = new Compartment();

/** HTML brings the languages that stand in pages: it comes with the first page that is opened, after the frames. */
const htmlWhenCome = ViewPlugin.fromClass(
	class {
		#gone = false;

		constructor(view: EditorView) {
			void this.#come(view);
		}

		async #come(view: EditorView): Promise<void> {
			await afterFrames();
			const { html } = await insist(() => import('@codemirror/lang-html'));
			const has = language.get(view.state) as readonly Extension[] | undefined;
			if (!this.#gone && has?.length === 0) view.dispatch({ effects: language.reconfigure(html()) });
		}

		destroy(): void {
			this.#gone = true;
		}
	}
);

/** How many lines of a text are looked at for how it is indented. */
const LINES_LOOKED_AT = 400;

/** A new line is indented as the others of its text are; by a tab where none is yet. */
const indentedAsItsText = indentUnit.compute(
	['doc'],
	({ doc }) => indentationOf(doc.iterLines(1, Math.min(doc.lines, LINES_LOOKED_AT) + 1)) ?? '\t'
);

/** What every text is edited with; CSS or HTML by its kind. */
export const editorExtensions = (site: SiteState, kind: 'page' | 'sheet', path: string): Extension => [
	editorHost.of({ site, path }),
	EditorView.contentAttributes.of({ tabindex: '0' }),
	lineNumbers(),
	forceBars,
	foldGutter(),
	history(),
	stepMarks,
	wrappingLines,
	drawSelection(),
	EditorState.allowMultipleSelections.of(true),
	indentedAsItsText,
	indentOnInput(),
	bracketMatching(),
	closeBrackets(),
	highlightActiveLine(),
	highlightSelectionMatches(),
	syntaxHighlighting(colours),
	theme,
	EditorView.cspNonce.of(document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? ''),
	kind === 'page' ? [language.of([]), htmlWhenCome] : css(),
	notesAtLines(kind),
	muting,
	deles,
	nudging(kind),
	moving,
	pictureDrop(kind),
	completing(kind),
	hovers(kind),
	keymap.of([
		...completionKeymap,
		...closeBracketsKeymap,
		...defaultKeymap,
		...searchKeymap,
		...historyKeymap,
		...foldKeymap,
		indentWithTab
	])
];
