<script lang="ts">
	import { mostFrequent, sentenceOf, type Result } from '$lib/core/text/index.ts';
	import { filesOfDrop, filesOfInput, type Picked } from '$lib/session/bring.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Trouble from '$lib/ui/Trouble.svelte';
	import { addFiles, addPage, addSheet, addStyle, folderOf, type LinkPlace } from './newFile.ts';

	interface Props {
		site: SiteState;
		/** The page being viewed. */
		page: PageState;
		/** Called when a file was made: a page, or something that the sheet can show. */
		onmade: (path: string, kind: 'page' | 'file') => void;
		onclose: () => void;
	}

	let { site, page, onmade, onclose }: Props = $props();

	const pathsOf = (kind: string): string[] =>
		site.files.filter((file) => file.kind === kind).map(({ path }) => path);
	const pages = $derived(pathsOf('page'));
	/** The sheets of this page, in order. */
	const sheets = $derived([
		...new Set(page.conditions.places.map(({ file }) => file).filter((file) => file !== page.path))
	]);

	let kind = $state<'sheet' | 'style' | 'page' | 'files'>('sheet');
	const sheetName = (): string => `${mostFrequent(pathsOf('sheet').map(folderOf)) ?? ''}new.css`;
	let name = $state(sheetName());
	let into = $state<'all' | 'this' | 'some' | 'none'>('all');
	/** The pages that are chosen one by one. */
	let some = $state<string[]>([]);
	let place = $state<string>('last');
	let isCopy = $state(false);
	let folder = $state('');
	let picked = $state.raw<readonly Picked[]>([]);
	let refused = $state('');
	let busy = $state(false);

	const KINDS = [
		['sheet', 'Sheet'],
		['style', 'Style element'],
		['page', 'Page'],
		['files', 'Files']
	] as const;

	function choose(to: typeof kind): void {
		kind = to;
		refused = '';
		if (to === 'sheet') name = sheetName();
		if (to === 'page') name = `${folderOf(page.path)}new.html`;
	}

	async function make(): Promise<Result<unknown>> {
		if (kind === 'sheet') {
			const linked = { all: pages, this: [page.path], some, none: [] }[into];
			const at: LinkPlace = place === 'first' || place === 'last' ? place : { after: place };
			const made = await addSheet(site, name, linked, at);
			if (made.ok) onmade(made.value, 'file');
			return made;
		}
		if (kind === 'page') {
			const made = await addPage(site, name, { like: { path: page.path, page: page.page }, isCopy });
			if (made.ok) onmade(made.value, 'page');
			return made;
		}
		if (kind === 'files') return addFiles(site, folder, picked);
		addStyle(site, page.path);
		onmade(page.path, 'file');
		return { ok: true, value: page.path };
	}

	async function submit(close: () => void): Promise<void> {
		busy = true;
		const made = await make();
		busy = false;
		refused = made.ok ? '' : sentenceOf(made);
		if (made.ok) close();
	}

	const given = $derived(pages.filter((path) => site.given.has(path)).length);
	const isLocked = $derived(kind === 'style' && site.given.has(page.path));
</script>

<Dialog title="New" {onclose}>
	{#snippet children(close)}
		<form
			ondragover={(event) => kind === 'files' && event.preventDefault()}
			ondrop={(event) => {
				if (kind !== 'files' || !event.dataTransfer) return;
				event.preventDefault();
				void filesOfDrop(event.dataTransfer).then((files) => (picked = files));
			}}
			onsubmit={(event) => {
				event.preventDefault();
				void submit(close);
			}}
		>
			<fieldset>
				<legend>What to add</legend>
				{#each KINDS as [of, label] (of)}
					<label
						><input type="radio" name="kind" checked={kind === of} onchange={() => choose(of)} />
						{label}</label
					>
				{/each}
			</fieldset>
			{#if kind === 'sheet' || kind === 'page'}
				<Field label="Path in the site">
					{#snippet control(id)}
						<input {id} type="text" bind:value={name} spellcheck="false" autocomplete="off" />
					{/snippet}
				</Field>
			{/if}
			{#if kind === 'sheet'}
				<Field label="Link it in">
					{#snippet control(id)}
						<select {id} bind:value={into}>
							<option value="all">{pages.length === 1 ? page.path : `all ${pages.length} pages`}</option>
							{#if pages.length > 1}<option value="this">{page.path} only</option>{/if}
							{#if pages.length > 1}<option value="some">pages chosen here</option>{/if}
							<option value="none">no page yet</option>
						</select>
					{/snippet}
				</Field>
				{#if into === 'some'}
					<fieldset class="some">
						<legend>Pages</legend>
						{#each pages as path (path)}
							<label><input type="checkbox" value={path} bind:group={some} /> {path}</label>
						{/each}
					</fieldset>
				{/if}
				<Field label="Place">
					{#snippet control(id)}
						<select {id} bind:value={place} disabled={into === 'none'}>
							<option value="last">last: it wins over the others</option>
							{#each sheets as path (path)}<option value={path}>after {path}</option>{/each}
							<option value="first">first</option>
						</select>
					{/snippet}
				</Field>
				{#if into === 'all' && given > 0}
					<p>{given} given {given === 1 ? 'page is' : 'pages are'} read-only: link it there at the host.</p>
				{/if}
			{:else if kind === 'style'}
				<p>
					{isLocked
						? `${page.path} is given, so nothing can be written into it here.`
						: `An empty style element after the other sheets of ${page.path}.`}
				</p>
			{:else if kind === 'page'}
				<Field label="Start with">
					{#snippet control(id)}
						<select {id} bind:value={isCopy}>
							<option value={false}>an empty page with the sheets of {page.path}</option>
							<option value={true}>a copy of {page.path}</option>
						</select>
					{/snippet}
				</Field>
			{:else}
				<Field label="Folder in the site">
					{#snippet control(id)}
						<input {id} type="text" bind:value={folder} placeholder="the site’s root" spellcheck="false" />
					{/snippet}
				</Field>
				<Field label="From this computer">
					{#snippet control(id)}
						<input
							{id}
							type="file"
							multiple
							onchange={({ currentTarget }) => (picked = filesOfInput(currentTarget))}
						/>
					{/snippet}
				</Field>
				<p>
					Or drop files or a folder here.
					{#if picked.length > 0}Chosen: {picked.map(({ path }) => path).join(', ')}{/if}
				</p>
			{/if}
			<Trouble sentence={refused} />
			<p class="acts">
				<Button
					look="primary"
					type="submit"
					disabled={busy || isLocked || (kind === 'files' && picked.length === 0)}
					>{kind === 'files'
						? 'Add the files'
						: `Create the ${kind === 'style' ? 'style element' : kind}`}</Button
				>
				<Button onclick={close}>Cancel</Button>
			</p>
		</form>
	{/snippet}
</Dialog>

<style>
	form {
		display: grid;
		gap: 0.75rem;
		max-width: 34rem;
		margin-top: 0.75rem;
	}

	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 1.25rem;
		margin: 0;
		padding: 0;
		border: 0;
	}

	.some {
		max-height: 8rem;
		overflow: auto;
	}

	legend {
		margin-bottom: 0.25rem;
		color: var(--ink-2);
	}

	input[type='text'] {
		width: 100%;
	}

	.acts {
		display: flex;
		gap: 1rem;
		margin: 0.25rem 0 0;
	}
</style>
