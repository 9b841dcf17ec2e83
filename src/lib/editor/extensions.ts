import { insist } from '../session/insist.ts';
import { closeBrackets, closeBracketsKeymap, completionKeymap } from '@codemirror/autocomplete';
import {
	deleteLine,
	indentWithTab,
	moveLineDown,
	moveLineUp,
	simplifySelection,
	standardKeymap,
	toggleComment
} from '@codemirror/commands';
import { css } from '@codemirror/lang-css';
import { bracketMatching, foldGutter, foldKeymap, indentOnInput } from '@codemirror/language';
import { highlightSelectionMatches } from '@codemirror/search';
import { Compartment, EditorState, type Extension } from '@codemirror/state';
import {
	drawSelection,
	EditorView,
	highlightActiveLine,
	keymap,
	type KeyBinding,
	lineNumbers,
	ViewPlugin
} from '@codemirror/view';
import type { SiteState } from '../session/site.svelte.ts';
import { completing } from './complete.ts';
import { finding } from './finding.svelte.ts';
import { forceBars } from './force.ts';
import { deles } from './deles.ts';
import { editorHost } from './host.ts';
import { hovers } from './hover.ts';
import { indenting } from './indenting.ts';
import { editorLook } from './look.ts';
import { notesAtLines } from './notes.ts';
import { moving } from './moves.ts';
import { muting } from './muting.ts';
import { nudging } from './nudge.ts';
import { afterFrames } from '../session/painted.ts';
import { pictureDrop } from './pictureDrop.ts';
import { steppingBack } from './steppingBack.ts';
import { wrappingLines } from './wrapping.svelte.ts';

const language = new Compartment();

/**
 * HTML includes the languages inside pages, so it is loaded with the first page that is opened, after the frames.
 */
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

/** Keys beyond those that every text field has: the list of keys names them all (`screens/shell/Keys.svelte`). */
const OWN_KEYS: readonly KeyBinding[] = [
	{ key: 'Mod-/', run: toggleComment },
	{ key: 'Shift-Mod-k', run: deleteLine },
	// At a number, these keys change the number instead.
	{ key: 'Alt-ArrowUp', run: moveLineUp },
	{ key: 'Alt-ArrowDown', run: moveLineDown },
	// Of several carets one remains.
	{ key: 'Escape', run: simplifySelection }
];

/** The extensions for every text; CSS or HTML by its kind. */
export const editorExtensions = (site: SiteState, kind: 'page' | 'sheet', path: string): Extension => [
	editorHost.of({ site, path }),
	EditorView.contentAttributes.of({ tabindex: '0' }),
	lineNumbers(),
	forceBars,
	foldGutter(),
	steppingBack,
	wrappingLines,
	drawSelection(),
	EditorState.allowMultipleSelections.of(true),
	indenting,
	indentOnInput(),
	bracketMatching(),
	closeBrackets(),
	highlightActiveLine(),
	highlightSelectionMatches(),
	finding,
	editorLook(),
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
		...OWN_KEYS,
		...standardKeymap,
		...foldKeymap,
		indentWithTab
	])
];
