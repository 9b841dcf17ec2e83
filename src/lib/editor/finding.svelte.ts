import {
	closeSearchPanel,
	findNext,
	findPrevious,
	getSearchQuery,
	openSearchPanel,
	replaceNext,
	search,
	selectNextOccurrence,
	setSearchQuery
} from '@codemirror/search';
import type { Extension } from '@codemirror/state';
import { keymap, type EditorView, type Panel, type ViewUpdate } from '@codemirror/view';
import { mount, unmount } from 'svelte';
import type { FindInSheet } from './findInSheet.ts';
import FindPanel from './FindPanel.svelte';
import { inSight } from './inSight.ts';

/** At most so many matches are counted. */
const MOST = 10_000;

function foundIn({ state }: EditorView): Pick<FindInSheet, 'count' | 'at'> {
	const query = getSearchQuery(state);
	if (!query.valid) return { count: 0, at: 0 };
	const { from, to } = state.selection.main;
	const cursor = query.getCursor(state);
	let [count, at] = [0, 0];
	for (let next = cursor.next(); !next.done && count < MOST; next = cursor.next()) {
		count++;
		if (next.value.from === from && next.value.to === to) at = count;
	}
	return { count, at };
}

/** Enter goes to the next match, or replaces this one; Escape closes. Other keys belong to the field. */
function pressed(view: EditorView, event: KeyboardEvent): void {
	const { target, key, shiftKey } = event;
	event.stopPropagation();
	if (key === 'Escape') {
		event.preventDefault();
		closeSearchPanel(view);
		view.focus();
	} else if (key === 'Enter' && target instanceof HTMLInputElement && target.type === 'text') {
		event.preventDefault();
		if (target.ariaLabel === 'Replace with') replaceNext(view);
		else (shiftKey ? findPrevious : findNext)(view);
	}
}

function panel(view: EditorView): Panel {
	const dom = document.createElement('div');
	dom.addEventListener('keydown', (event) => pressed(view, event));
	const {
		search: words,
		replace: by,
		caseSensitive: matchCase,
		regexp: pattern
	} = getSearchQuery(view.state);
	const find: FindInSheet = $state({ words, by, matchCase, pattern, count: 0, at: 0 });
	const component = mount(FindPanel, { target: dom, props: { view, find } });
	return {
		dom,
		top: true,
		mount: () => dom.querySelector<HTMLInputElement>('[main-field]')?.select(),
		update({ docChanged, selectionSet, transactions }: ViewUpdate) {
			const asked = transactions.flatMap(({ effects }) =>
				effects.flatMap((one) => (one.is(setSearchQuery) ? [one.value] : []))
			);
			// The editor itself takes the selection as search words when the panel is opened again.
			const last = asked.at(-1)?.search;
			if (last) find.words = last;
			if (docChanged || selectionSet || asked.length > 0) Object.assign(find, foundIn(view));
		},
		destroy: () => void unmount(component)
	};
}

/** Find and replace in a text: a panel of our own for the editor's search. */
export const finding: Extension = [
	search({
		top: true,
		createPanel: panel,
		scrollToMatch: ({ to }, view) => inSight(view, to)
	}),
	keymap.of([
		{ key: 'Mod-f', run: openSearchPanel, preventDefault: true },
		{ key: 'F3', run: findNext, shift: findPrevious, preventDefault: true },
		{ key: 'Mod-d', run: selectNextOccurrence, preventDefault: true }
	])
];
