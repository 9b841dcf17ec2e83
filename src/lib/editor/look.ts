import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import type { Extension } from '@codemirror/state';
import { EditorView } from '@codemirror/view';
import { tags } from '@lezer/highlight';

/** Wrapped lines are not broken at hyphens in names. */
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
	'.cm-matchingBracket': { background: 'var(--pick)', outline: 'none' },
	'.cm-selectionMatch': { background: 'var(--tint)' },
	'.cm-searchMatch': { background: 'var(--tint)', outline: '1px solid var(--hair)' },
	'.cm-searchMatch-selected': { background: 'var(--pick)', outline: '1px solid var(--ink)' },
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

/** The look of every text in an editor. */
export const editorLook = (): Extension => [
	syntaxHighlighting(colours),
	theme,
	EditorView.cspNonce.of(document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? '')
];
