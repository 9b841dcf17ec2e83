<script lang="ts">
	import { sentenceOf } from '$lib/core/text/index.ts';
	import { takeNewerSave } from '$lib/session/errands.ts';
	import type { Inventory } from '$lib/inquiry/inventory.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import { exchangeSheets } from '$lib/features/files/newFile.ts';
	import Button from '$lib/ui/Button.svelte';
	import ChangeButton from './ChangeButton.svelte';
	import GivenMark from './GivenMark.svelte';
	import { roving } from '$lib/ui/roving.ts';
	import NotKept from '$lib/ui/NotKept.svelte';

	interface Props {
		site: SiteState;
		inventory: Inventory;
		/** The address of a page, or of a file beside it, on the Bench. */
		benchOf: (page: string, file?: string) => string;
		/** Opens the dialog for something new. */
		oncreate: () => void;
		/** Opens the dialog for renaming, copying or deleting a file. */
		onchange: (path: string) => void;
	}

	let { site, inventory, benchOf, oncreate, onchange }: Props = $props();

	/** The sheets of the site, each with the pages that use it. */
	const sheets = $derived(
		[...site.texts.values()]
			.filter(({ kind }) => kind === 'sheet')
			.map(({ path }) => ({
				path,
				pages: inventory.pages
					.filter((one) => one.sheets.some((sheet) => sheet.path === path))
					.map((one) => one.path)
			}))
	);

	let said = $state('');
	async function take(page: string, input: HTMLInputElement): Promise<void> {
		const [file] = input.files ?? [];
		if (!file) return;
		said = sentenceOf(await takeNewerSave(site, page, new Uint8Array(await file.arrayBuffer())));
		input.value = '';
	}
</script>

<h2>Pages and their sheets <Button look="quiet" onclick={oncreate}>New…</Button></h2>
<p>
	Sheets in the order in which the page’s own HTML puts them: where specificity is equal, the later one wins.
</p>
<table>
	<thead
		><tr><th scope="col">Page</th><th scope="col">Sheets, first to last</th><th scope="col">Markup</th></tr
		></thead
	>
	<tbody {@attach roving('a, button, input', 'row')}>
		{#each inventory.pages as { path: page, sheets } (page)}
			<tr>
				<th scope="row"><a href={benchOf(page)}>{page}</a></th>
				<td>
					{#each sheets as { path, here }, i (i)}
						{#if i > 0 && site.given.has(page)}<span class="then" aria-hidden="true">›</span>
						{:else if i > 0}
							<button
								type="button"
								class="then"
								title="Exchange the two: the later one wins"
								aria-label="Exchange {path ?? 'the style element'} with the sheet before it"
								onclick={() => exchangeSheets(site, page, i)}>›</button
							>
						{/if}
						{#if path === null}<a href={benchOf(page, page)}>in the page itself</a>
						{:else if here}<a href={benchOf(page, path)}>{path}</a>
						{:else}<span class="gone">{path} <em>not here</em></span>{/if}
					{:else}<span>none</span>{/each}
				</td>
				<td class="markup">
					<GivenMark {site} path={page} />
					<label class="newer">
						newer save…
						<input
							type="file"
							accept=".html,.htm"
							aria-label="Newer save of {page}"
							onchange={({ currentTarget }) => take(page, currentTarget)}
						/>
					</label>
					<ChangeButton path={page} onclick={() => onchange(page)} />
				</td>
			</tr>
		{/each}
	</tbody>
</table>
<p role="status">{said}</p>
<NotKept list={site.kept.given} />
{#if sheets.length > 0}
	<h2>Sheets</h2>
	<table>
		<tbody {@attach roving('a, button, input', 'row')}>
			{#each sheets as { path, pages } (path)}
				<tr>
					<th scope="row"><a href={benchOf(pages[0] ?? '', path)}>{path}</a></th>
					<td
						>{pages.length === 0
							? 'used by no page'
							: `${pages.length} of ${inventory.pages.length} pages`}</td
					>
					<td class="markup"
						><GivenMark {site} {path} /> <ChangeButton {path} onclick={() => onchange(path)} /></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	<p>Given sheets came with the pages: they are locked, and selectors that use their classes are marked.</p>
{/if}
{#if inventory.unused.length > 0}
	<p>Used by no page: {inventory.unused.join(', ')}</p>
{/if}

<style>
	h2 {
		font-size: 1.125rem;
	}

	h2 :global(button) {
		margin-left: 0.5rem;
		font: 0.875rem/1 var(--text);
	}

	p,
	td > span {
		color: var(--ink-2);
	}

	table {
		width: 100%;
		border-collapse: collapse;
	}

	th,
	td {
		padding: 0.4375rem 0.75rem 0.4375rem 0;
		border-bottom: 1px solid var(--hair);
		text-align: left;
		vertical-align: top;
		overflow-wrap: anywhere;
	}

	thead th {
		border-bottom-color: var(--ink);
		color: var(--ink-2);
		font-weight: 400;
	}

	tbody th {
		width: 30%;
		font-weight: 700;
	}

	a {
		color: var(--blue);
		text-underline-offset: 3px;
	}

	.markup {
		white-space: nowrap;
	}

	.markup > :global(*) {
		margin-right: 0.625rem;
		vertical-align: middle;
	}

	label {
		display: inline-flex;
		gap: 0.375rem;
		align-items: center;
		min-height: 1.5rem;
	}

	.newer {
		position: relative;
		overflow: hidden;
		color: var(--blue);
		font-size: 0.8125rem;
		cursor: pointer;
	}

	.newer:focus-within {
		outline: 2px solid var(--blue);
	}

	/* The input is above its words, but invisible. */
	.newer input {
		position: absolute;
		inset: 0;
		opacity: 0;
		cursor: pointer;
	}

	.newer:hover {
		text-decoration: underline;
	}

	.then {
		margin: 0 0.25rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		color: var(--ink-2);
	}

	button.then {
		min-width: 1.5rem;
		cursor: pointer;
	}

	button.then:hover {
		background: var(--pick);
	}

	.gone em {
		color: var(--rubric);
		font-style: normal;
	}
</style>
