<script lang="ts">
	import { lineStarts, placeAt } from '$lib/core/text/index.ts';
	import { errandSentence, type Errand } from '$lib/core/errand/index.ts';
	import { sliceOf, walk } from '$lib/core/css/index.ts';
	import { namesIn } from '$lib/core/selector/index.ts';
	import { sourcesOf } from '$lib/core/site/index.ts';
	import { removeErrand } from '$lib/session/errands.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import NotKept from '$lib/ui/NotKept.svelte';

	interface Props {
		site: SiteState;
		/** The address of a page, or of a file beside it, on the Bench. */
		benchOf: (page: string, file?: string) => string;
	}

	let { site, benchOf }: Props = $props();

	const errands = $derived(site.kept.errand.list);
	const sources = $derived(sourcesOf((path) => site.texts.get(path)?.text, site.parsers));
	const sentence = (errand: Errand): string =>
		errandSentence(sources.page(sources.text(errand.page) ?? ''), errand);

	/** The rules that name the class of an errand. */
	function needed({ name }: Errand): { file: string; line: number }[] {
		return [...site.texts.values()]
			.filter(({ kind }) => kind === 'sheet')
			.flatMap(({ path, text }) => {
				const sheet = sources.sheet(text);
				const starts = lineStarts(text);
				return [...walk(sheet)].flatMap((node) =>
					node.kind === 'rule' && namesIn(sliceOf(text, node.prelude)).classes.includes(name)
						? [{ file: path, line: placeAt(starts, node.span.start).line }]
						: []
				);
			});
	}
</script>

<h2>Errands</h2>
<p>Changes to make by hand at the host, because the page’s markup is given. The frames show them already.</p>
<ul>
	{#each errands as errand, i (i)}
		<li class:done={errand.done}>
			<p>
				{errand.done ? '✓' : '○'} <a href={benchOf(errand.page)}>{errand.page}</a>: {sentence(errand)}
				{#if errand.done}<b>Done in the last save.</b>{/if}
			</p>
			<p class="needed">
				{#if !errand.request}
					{#each needed(errand) as { file, line }, n (n)}
						{n === 0 ? 'for ' : ', '}<a href={benchOf(errand.page, file)}>{file}:{line}</a>
					{:else}no rule of a sheet names the class yet{/each}
				{/if}
			</p>
			<button type="button" onclick={() => removeErrand(site, errand, sentence(errand))}
				>{errand.done ? 'Remove from the list' : 'Not needed'}</button
			>
		</li>
	{:else}
		<li class="needed">
			None. A page is marked as given above; Reach and Markup on the Bench then make errands.
		</li>
	{/each}
</ul>
<NotKept list={site.kept.errand} />

<style>
	h2 {
		font-size: 1.125rem;
	}

	p,
	.needed {
		color: var(--ink-2);
	}

	ul {
		width: 100%;
	}

	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 2px 1rem;
		padding: 0.375rem 0;
		border-bottom: 1px solid var(--hair);
	}

	li p:first-child {
		color: var(--ink);
	}

	.done b {
		color: var(--verdigris);
	}

	.needed {
		grid-column: 1;
		font-size: 0.8125rem;
	}

	a {
		color: var(--blue);
		text-underline-offset: 3px;
	}

	button {
		grid-area: 1 / 2;
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}
</style>
