<script lang="ts">
	import { EditorSelection, type StateEffect } from '@codemirror/state';
	import { EditorView, type Command } from '@codemirror/view';
	import { untrack } from 'svelte';
	import { setIdle } from '$lib/editor/deles.ts';
	import type { IneffectiveDeclaration } from '$lib/inquiry/idle.ts';
	import { setForce, type InForce } from '$lib/editor/force.ts';
	import { setMuted } from '$lib/editor/muting.ts';
	import { wrapping } from '$lib/editor/wrapping.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';

	interface Props {
		file: FileText;
		/** What of the file is in force, and where. */
		inForce: InForce;
		/** Its declarations that do nothing. */
		idle: readonly IneffectiveDeclaration[];
		/** The text has changed; called ahead of the editor's own work, so that stages lay out meanwhile. */
		onedit: () => void;
		/** A place to show, by offset; a new object for each time it is asked for. */
		goto: FilePlace | null;
	}

	let { file, inForce, idle, goto, onedit }: Props = $props();

	let parent: HTMLElement;
	let view: EditorView | undefined;
	let shown: FileText | undefined;
	const scrolls = new Map<string, StateEffect<unknown>>();

	export const focus = (): void => view?.focus();

	/** Runs a command of the editor, with the focus there. */
	export function run(command: Command): void {
		if (!view) return;
		view.focus();
		command(view);
	}

	$effect.pre(() => {
		const opened = file;
		untrack(() => opened.open());
	});

	$effect(() => {
		// From a state of ours from the start: the styles carry the nonce that it names.
		view = new EditorView({
			state: untrack(() => file.state),
			parent,
			dispatchTransactions(transactions, editor) {
				shown?.follow(transactions);
				if (!file.isBehind && transactions.some(({ docChanged }) => docChanged)) onedit();
				editor.update(transactions);
			}
		});
		return () => {
			view?.destroy();
			view = undefined;
			shown = undefined;
		};
	});

	$effect(() => {
		const { state } = file;
		untrack(() => {
			if (!view || (shown === file && view.state === state)) return;
			const same = shown === file;
			if (shown && !same) scrolls.set(shown.path, view.scrollSnapshot());
			const scroll = same ? view.scrollSnapshot() : scrolls.get(file.path);
			shown = undefined;
			view.setState(state);
			shown = file;
			const { head } = state.selection.main;
			view.dispatch({ effects: scroll ?? EditorView.scrollIntoView(head, { y: 'center' }) });
			view.contentDOM.setAttribute('aria-label', file.path);
		});
	});

	$effect(() => {
		// What was told of another text stands where the editor has moved it to.
		if (file.text !== inForce.text) return;
		const effects = setForce.of(inForce);
		if (shown === file) untrack(() => view?.dispatch({ effects }));
	});

	$effect(() => {
		const effects = setMuted.of(file.muted.map(({ span }) => span));
		untrack(() => view?.dispatch({ effects }));
	});

	$effect(() => {
		const effects = setIdle.of(idle);
		if (shown === file) untrack(() => view?.dispatch({ effects }));
	});

	$effect(() => {
		void wrapping.isOn;
		untrack(() => view?.dispatch({}));
	});

	/** What was asked for before this was here has been shown. */
	let shownPlace = untrack(() => goto);
	$effect(() => {
		if (!goto || goto === shownPlace || goto.path !== file.path || !view) return;
		shownPlace = goto;
		const { offset, aside } = goto;
		untrack(() => {
			if (!view) return;
			const at = Math.min(offset, view.state.doc.length);
			view.dispatch({
				selection: EditorSelection.cursor(at),
				effects: EditorView.scrollIntoView(at, { y: 'center' })
			});
			if (!aside) view.focus();
		});
	});
</script>

<div class="sheet" bind:this={parent}></div>

<style>
	.sheet {
		flex: 1;
		min-height: 0;
		overflow: hidden;
		contain: strict;
	}
</style>
