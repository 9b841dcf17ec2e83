<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import { inFileInWords, shownPlace } from '$lib/session/placeInWords.ts';
	import { reader } from '$lib/session/reader.ts';
	import { replaceAll } from './searchAll.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import { roving } from '$lib/ui/roving.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		files: readonly FileText[];
		/** The initial search words. */
		words: string;
		onplace: (place: FilePlace) => void;
		/** Called when texts were changed. */
		onedit: () => void;
		onclose: () => void;
	}

	let { files, words: first, onplace, onedit, onclose }: Props = $props();
	const site = getSite();

	/** The largest number of lines listed; replacing is not limited by it. */
	const LISTED = 300;
	// svelte-ignore state_referenced_locally (what it begins with)
	let words = $state(first);
	let by = $state('');
	let matchCase = $state(false);
	let pattern = $state(false);
	let done = $state.raw<{ sentence: string; step: number } | null>(null);
	const search = $derived({ words, matchCase, pattern });
	const NOTHING = { counts: [], lines: [] };
	const asked = later({
		question: () => ({ search, texts: new Map(files.map(({ path, text }) => [path, text])) }),
		about: ({ search }) => JSON.stringify(search),
		ask: ({ search, texts }, signal) => reader.search(texts, search, LISTED, signal)
	});
	const found = $derived(asked.value ?? NOTHING);
	const count = $derived(found.counts.reduce((sum, [, one]) => sum + one, 0));

	const times = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

	function replace(): void {
		const given = new Set(files.flatMap(({ path, isGiven }) => (isGiven ? [path] : [])));
		const ours = found.counts.filter(([path]) => !given.has(path));
		const places = ours.reduce((sum, [, one]) => sum + one, 0);
		const left = found.counts.length - ours.length;
		const sentence = `${times(places, 'place')} replaced in ${times(ours.length, 'file')}; nothing is saved yet.`;
		done = {
			sentence: left > 0 ? `${sentence} ${times(left, 'given file')} left alone.` : sentence,
			step: site.history.asOne(`“${words}” replaced by “${by}” in ${times(ours.length, 'file')}`, () =>
				replaceAll(files, search, by)
			)
		};
		onedit();
	}

	function undo(): void {
		// Later edits are not undone with it.
		if (done?.step === site.history.newest) site.history.undo();
		done = null;
		onedit();
	}
</script>

<Dialog title="Search all files" {onclose}>
	{#snippet children(close)}
		<div class="fields">
			<Field label="Find">
				{#snippet control(id)}
					<input {id} type="text" bind:value={words} spellcheck="false" autocomplete="off" />
				{/snippet}
			</Field>
			<Field label="Replace with">
				{#snippet control(id)}
					<input {id} type="text" bind:value={by} spellcheck="false" autocomplete="off" />
				{/snippet}
			</Field>
			<label class="tick"><input type="checkbox" bind:checked={matchCase} /> match case</label>
			<label class="tick"><input type="checkbox" bind:checked={pattern} /> regular expression</label>
		</div>
		<p role="status">
			{#if words !== '' && asked.value}{times(count, 'place')} in {times(found.counts.length, 'file')}{/if}
		</p>
		<Trouble sentence={asked.error} />
		<ul {@attach roving('li > button', 'column')}>
			{#each found.lines as { path, start, line, words: written } (`${path}:${start}`)}
				<li>
					<button
						type="button"
						onclick={() => {
							close();
							onplace({ path, offset: start });
						}}
					>
						<span>{path}:{line}{inFileInWords(shownPlace(site, path, start))}</span>
						{written}
					</button>
				</li>
			{/each}
			{#if count > LISTED}<li>and {count - LISTED} more</li>{/if}
		</ul>
		{#if done}
			<p role="status">{done.sentence} <Button look="quiet" onclick={undo}>Undo</Button></p>
		{/if}
		<Button look="primary" disabled={count === 0} onclick={replace}>Replace all</Button>
		<Button onclick={close}>Close</Button>
	{/snippet}
</Dialog>

<style>
	.fields {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 0.5rem 1.25rem;
		margin: 0.75rem 0;
	}

	.tick {
		display: flex;
		color: var(--ink-2);
		gap: 0.5rem;
		align-items: center;
		min-height: 1.5rem;
	}

	ul {
		height: min(20rem, 44vh);
		margin: 0.375rem 0 0.875rem;
		overflow: auto;
		border-block: 1px solid var(--hair);
	}

	li button {
		width: 100%;
		min-height: 1.625rem;
		overflow: hidden;
		border: 0;
		background: none;
		font: 0.8125rem/1.4 var(--mono);
		text-align: left;
		text-overflow: ellipsis;
		white-space: nowrap;
		cursor: pointer;
	}

	li button:hover {
		background: var(--tint);
	}

	li span {
		display: inline-block;
		min-width: 22ch;
		color: var(--ink-2);
	}
</style>
