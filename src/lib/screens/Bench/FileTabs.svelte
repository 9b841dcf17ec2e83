<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { Workbench } from '$lib/session/workbench.ts';
	import Tabs from '$lib/ui/Tabs.svelte';
	import type { filesOf } from './files.svelte.ts';
	import KeyedMenu from './KeyedMenu.svelte';

	interface Props {
		files: ReturnType<typeof filesOf>;
		/** The path of the shown file. */
		shown: string;
		workbench: Workbench;
	}

	let { files, shown, workbench }: Props = $props();
	const site = getSite();

	/** With more files than this, their tabs scroll, and there is a list of them. */
	const FEW = 5;
	const OFF = 'not on this page';
	const tabs = $derived(
		files.paths.map((path) => ({
			id: path,
			name: path.replace(/^.*\//, ''),
			title: path,
			mark: site.texts.get(path)?.dirty ? '•' : '',
			group: files.isOnPage(path) ? undefined : OFF
		}))
	);
	const entries = $derived(
		files.paths.map((path): [string, string, () => void] => [
			files.isOnPage(path) ? path : `${path}, ${OFF}`,
			'',
			() => workbench.choose(path)
		])
	);
</script>

<div class="files">
	<Tabs label="Files" {tabs} chosen={shown} onchoose={workbench.choose} />
	<button type="button" title="New sheet, style element, page or files" onclick={workbench.create}
		>New…</button
	>
	<button type="button" title="Rename, copy or delete {shown}" onclick={() => workbench.change(shown)}
		>File…</button
	>
	{#if tabs.length > FEW}<KeyedMenu label="All files" {entries} />{/if}
</div>

<style>
	.files {
		display: flex;
		align-items: center;
		border-bottom: 1px solid var(--hair);
		font-size: 0.8125rem;
	}

	.files :global([role='tablist']) {
		flex: 1;
		min-width: 0;
		border-bottom: 0;
	}

	button {
		flex: none;
		padding: 0 0.75rem;
		border: 0;
		background: none;
		color: var(--ink-2);
		cursor: pointer;
	}

	button:hover {
		color: var(--ink);
		text-decoration: underline;
	}

	.files :global(details) {
		flex: none;
		padding: 0 0.75rem;
		color: var(--ink-2);
	}
</style>
