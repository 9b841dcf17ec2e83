<script lang="ts">
	import { messageOf } from '$lib/core/text/index.ts';
	import { goto } from '$app/navigation';
	import Guarded from '$lib/ui/Guarded.svelte';
	import { bringIn, filesOfDrop, filesOfInput, refusedOf, type Picked } from '$lib/session/bring.ts';
	import { inventoryOf } from '$lib/inquiry/inventory.ts';
	import type { Workbench } from '$lib/session/workbench.ts';
	import Button from '$lib/ui/Button.svelte';
	import Drop from '$lib/ui/Drop.svelte';
	import Engines from './Engines.svelte';
	import Errands from './Errands.svelte';
	import FileList from './FileList.svelte';
	import MissingFiles from './MissingFiles.svelte';
	import Older from './Older.svelte';
	import PageTable from './PageTable.svelte';
	import Vantages from './Vantages.svelte';

	let { workbench }: { workbench: Workbench } = $props();
	const { site, sites } = $derived(workbench);
	/** The address of a page, or of a file beside it, on the Bench. */
	const benchOf = (page: string, file?: string): string => workbench.href('bench', page, file);

	const LISTS = [
		['Pictures', 'picture'],
		['Films', 'film'],
		['Fonts', 'font'],
		['Other files', 'other']
	] as const;
	const lists = $derived(
		LISTS.map(([title, kind]) => ({ title, files: site.files.filter((file) => file.kind === kind) })).filter(
			({ files }) => files.length > 0
		)
	);

	let busy = $state(false);
	let failure = $state<string | null>(null);
	let asking = $state(false);
	const inventory = $derived(inventoryOf(site.files, (path) => site.texts.get(path)?.text));
	const others = $derived(sites.filter(({ id }) => id !== site.id));
	const refused = $derived(refusedOf(site.id));

	async function attempt(work: () => Promise<void>): Promise<void> {
		busy = true;
		failure = null;
		try {
			await work();
		} catch (error) {
			failure = messageOf(error);
		} finally {
			busy = false;
		}
	}

	const bring = (files: Picked[] | Promise<Picked[]>): Promise<void> =>
		attempt(async () => goto(`/site/${await bringIn(await files)}/bench`));

	const remove = (): Promise<void> =>
		attempt(async () => {
			await site.remove();
			const next = others[0];
			await goto(next ? `/site/${next.id}/site` : '/', { invalidateAll: true });
		});
</script>

<main>
	<div class="columns" class:two={lists.length === 0}>
		<section>
			<MissingFiles missing={inventory.missing} />
			{#if refused.length > 0}
				<h2>Not imported</h2>
				<ul class="missing">
					{#each refused as { path, reason }, i (i)}<li><code>{path}</code> <span>{reason}</span></li>{/each}
				</ul>
			{/if}
			<Guarded name="Pages and sheets"
				><PageTable
					{site}
					{inventory}
					{benchOf}
					oncreate={() => workbench.create()}
					onchange={workbench.change}
				/></Guarded
			>
			<Guarded name="Errands"><Errands {site} {benchOf} /></Guarded>
			<Guarded name="Older drafts"><Older {site} /></Guarded>
		</section>

		{#if lists.length > 0}
			<section>
				{#each lists as { title, files } (title)}
					<FileList {title} {files} site={site.id} onchange={workbench.change} />
				{/each}
			</section>
		{/if}

		<section>
			<h2>Export</h2>
			<p class="how">A zip of all files as saved; what you did not touch is the same to the byte.</p>
			<a class="out" href="/api/sites/{site.id}/export" download data-sveltekit-reload>Export as ZIP</a>
			{#if site.dirty.length > 0}
				<p class="warn">
					{site.dirty.length} unsaved {site.dirty.length === 1 ? 'file is' : 'files are'} not in it; save first
					(Ctrl S).
				</p>
			{/if}

			<h2>Engines</h2>
			<Guarded name="Engines"><Engines {site} /></Guarded>

			<h2>Open another</h2>
			<Drop
				{busy}
				primary={false}
				ondrop={(transfer) => bring(filesOfDrop(transfer))}
				onchoose={(input) => bring(filesOfInput(input))}
			>
				<p class="how">Drop a folder, a zip or a page here.</p>
			</Drop>
			{#if others.length > 0}
				<ul class="others">
					{#each others as { id, name } (id)}<li><a href="/site/{id}/bench">{name}</a></li>{/each}
				</ul>
			{/if}
			{#if failure}<p class="warn" role="alert">{failure}</p>{/if}

			<h2>Delete</h2>
			{#if asking}
				<p class="warn">
					Delete “{site.name}” with its {site.revision} revisions and all drafts? This cannot be undone.
				</p>
				<p class="pair">
					<Button disabled={busy} onclick={remove}>Delete it</Button>
					<Button look="quiet" onclick={() => (asking = false)}>Keep it</Button>
				</p>
			{:else}
				<Button look="quiet" onclick={() => (asking = true)}>Delete this site…</Button>
			{/if}
		</section>
	</div>
	<Guarded name="Vantages"><Vantages vantages={site.vantages} site={site.name} /></Guarded>
</main>

<style>
	main {
		grid-area: measure / measure / work / work;
		overflow: auto;
	}

	.columns {
		display: grid;
		grid-template-columns: minmax(0, 5fr) minmax(0, 3fr) minmax(13.75rem, 2.6fr);
		gap: 2.25rem;
		padding: 1.375rem 1.5rem 2.5rem;
	}

	.columns.two {
		grid-template-columns: minmax(0, 8fr) minmax(13.75rem, 2.6fr);
	}

	/* By text size: adjacent columns would be too narrow for their words. */
	@media (width < 58em) {
		.columns,
		.columns.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}

	section {
		display: grid;
		align-content: start;
		justify-items: start;
		gap: 0.5rem;
	}

	h2 {
		font-size: 1.125rem;
	}

	h2:not(:first-child),
	section :global(h2:not(:first-child)) {
		margin-top: 1.375rem;
	}

	.how {
		color: var(--ink-2);
	}

	.warn {
		color: var(--rubric);
	}

	a {
		color: var(--blue);
		text-underline-offset: 3px;
	}

	.missing {
		display: grid;
		gap: 0.25rem;
		width: 100%;
	}

	.missing li {
		padding: 0.3125rem 0;
		border-bottom: 1px solid var(--hair);
		overflow-wrap: anywhere;
	}

	.missing span {
		color: var(--ink-2);
	}

	code {
		font: 0.8125rem/1.4 var(--mono);
	}

	.others {
		display: grid;
		gap: 0.25rem;
	}

	.pair {
		display: flex;
		gap: 0.625rem;
	}

	.out {
		display: inline-flex;
		align-items: center;
		min-height: 2.125rem;
		padding: 0 0.875rem;
		border: 1px solid var(--rubric);
		border-radius: 2px;
		background: var(--rubric);
		color: var(--on-rubric);
		font-weight: 600;
		text-decoration: none;
	}
</style>
