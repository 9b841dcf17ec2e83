<script lang="ts">
	import { EditorSelection, type StateEffect } from '@codemirror/state';
	import { EditorView, type Command } from '@codemirror/view';
	import { untrack } from 'svelte';
	import { setIdle } from '$lib/editor/deles.ts';
	import type { IneffectiveDeclaration } from '$lib/inquiry/idle.ts';
	import { setForce, type InForce } from '$lib/editor/force.ts';
	import { inSight } from '$lib/editor/inSight.ts';
	import { setMuted } from '$lib/editor/muting.ts';
	import { wrapping } from '$lib/editor/wrapping.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';

	interface Props {
		file: FileText;
		/** What in the file is in force, and at which widths. */
		inForce: InForce;
		/** Its declarations without effect. */
		idle: readonly IneffectiveDeclaration[];
		/** Called when the text has changed, before the editor's own work, so that stages lay out meanwhile. */
		onedit: () => void;
		/** A place to show, by offset; a new object for each request. */
		goto: FilePlace | null;
	}

	let { file, inForce, idle, goto, onedit }: Props = $props();

	let parent: HTMLElement;
	let view: EditorView | undefined;
	let shown: FileText | undefined;
	const scrolls = new Map<string, StateEffect<unknown>>();

	/** The element beside the text that takes the focus, so that single keys work. */
	let resting: HTMLElement;

	export const focus = (): void => view?.focus();

	/** Runs a command of the editor, with the focus in it. */
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
		// Created with our state from the start: the styles carry the nonce in it.
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
			view.dispatch({ effects: scroll ?? inSight(view, head) });
			view.contentDOM.setAttribute('aria-label', file.path);
		});
	});

	$effect(() => {
		// Facts about another text are shown where the editor has moved them.
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

	/** Requests from before this component existed have been met. */
	let shownPlace = untrack(() => goto);
	$effect(() => {
		if (!goto || goto === shownPlace || goto.path !== file.path || !view) return;
		shownPlace = goto;
		const { offset, aside, beside } = goto;
		untrack(() => {
			if (!view) return;
			const at = Math.min(offset, view.state.doc.length);
			view.dispatch({
				selection: EditorSelection.cursor(at),
				effects: inSight(view, at)
			});
			if (beside) resting.focus();
			else if (!aside) view.focus();
		});
	});
</script>

<div class="room">
	<div
		class="sheet"
		bind:this={parent}
		role="presentation"
		onkeydown={(event) => {
			// The editor itself closes what it can first.
			if (event.key === 'Escape' && !event.defaultPrevented) resting.focus();
		}}
	></div>
	<!-- After the text, so that Tab leads on from there. -->
	<button type="button" class="resting" tabindex="-1" bind:this={resting} onclick={focus}
		>Enter or E: edit here</button
	>
</div>

<style>
	.room {
		position: relative;
		display: flex;
		flex: 1;
		flex-direction: column;
		min-height: 0;
	}

	.sheet {
		flex: 1;
		min-height: 0;
		overflow: hidden;
		contain: strict;
	}

	.resting {
		position: absolute;
		right: 1rem;
		bottom: 0.5rem;
		z-index: 2;
		min-height: 1.625rem;
		padding: 0 0.625rem;
		border: 1px solid var(--ink-2);
		border-radius: 2px;
		background: var(--sheet);
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	.resting:not(:focus) {
		opacity: 0;
		pointer-events: none;
	}
</style>
