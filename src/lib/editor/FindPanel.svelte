<script lang="ts">
	import {
		closeSearchPanel,
		findNext,
		findPrevious,
		replaceAll,
		replaceNext,
		SearchQuery,
		setSearchQuery
	} from '@codemirror/search';
	import type { EditorView } from '@codemirror/view';
	import { untrack } from 'svelte';
	import { expressionOf } from '../core/text/index.ts';
	import Button from '../ui/Button.svelte';
	import TextInput from '../ui/TextInput.svelte';
	import type { FindInSheet } from './findInSheet.ts';

	interface Props {
		view: EditorView;
		/** The search and its results, kept up to date by the editor. */
		find: FindInSheet;
	}

	let { view, find }: Props = $props();

	/** The attribute by which the editor finds the field when the panel is asked for again. */
	const MAIN = { 'main-field': 'true' };

	/** Why the search cannot be done; '' where it can. */
	const refused = $derived.by(() => {
		const expression = expressionOf(find);
		return expression.ok ? '' : expression.sentence;
	});
	$effect(() => {
		const query = new SearchQuery({
			search: refused === '' ? find.words : '',
			replace: find.by,
			caseSensitive: find.matchCase,
			regexp: find.pattern,
			// An invalid pattern is searched for literally.
			literal: !find.pattern
		});
		untrack(() => view.dispatch({ effects: setSearchQuery.of(query) }));
	});

	const told = $derived.by(() => {
		if (find.words === '' || refused !== '') return refused;
		return find.count === 0 ? 'nothing found' : `${find.at || '–'} of ${find.count}`;
	});

	function close(): void {
		closeSearchPanel(view);
		view.focus();
	}
</script>

<div class="find" role="search" aria-label="Find and replace in this file">
	<p>
		<TextInput bind:value={find.words} type="text" placeholder="find" aria-label="Find" {...MAIN} />
		<Button look="quiet" aria-label="Previous place" onclick={() => findPrevious(view)}>‹</Button>
		<Button look="quiet" aria-label="Next place" onclick={() => findNext(view)}>›</Button>
		<span class="told" role="status">{told}</span>
		<label><input type="checkbox" bind:checked={find.matchCase} /> match case</label>
		<label><input type="checkbox" bind:checked={find.pattern} /> regular expression</label>
	</p>
	<p>
		<TextInput bind:value={find.by} type="text" placeholder="replace with" aria-label="Replace with" />
		<Button look="quiet" disabled={find.count === 0} onclick={() => replaceNext(view)}>Replace</Button>
		<Button look="quiet" disabled={find.count === 0} onclick={() => replaceAll(view)}>Replace all here</Button
		>
		<Button look="quiet" onclick={close}>Close</Button>
	</p>
</div>

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.5rem;
		align-items: center;
		min-height: 1.75rem;
	}

	.find {
		padding: 0.375rem 0.75rem;
		background: var(--paper);
		font-family: var(--text);
		font-size: 0.8125rem;
	}

	.told,
	label {
		color: var(--ink-2);
	}

	label {
		display: flex;
		gap: 0.375rem;
		align-items: center;
		white-space: nowrap;
	}
</style>
