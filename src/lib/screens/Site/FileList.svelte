<script lang="ts">
	import type { FileRecord } from '$lib/api.ts';
	import { roving } from '$lib/ui/roving.ts';
	import ChangeButton from './ChangeButton.svelte';

	interface Props {
		title: string;
		files: readonly FileRecord[];
		site: number;
		/** Opens the dialog for renaming, copying or deleting a file. */
		onchange: (path: string) => void;
	}

	let { title, files, site, onchange }: Props = $props();

	const size = (bytes: number): string =>
		bytes < 1000
			? `${bytes} B`
			: bytes < 1e6
				? `${(bytes / 1000).toFixed(1)} kB`
				: `${(bytes / 1e6).toFixed(1)} MB`;
	const address = (path: string): string =>
		`/stage/${site}/${path.split('/').map(encodeURIComponent).join('/')}`;
</script>

<h2>{title} <small>{files.length}</small></h2>
<ul {@attach roving('button', 'column')}>
	{#each files as { path, kind, width, height, size: bytes } (path)}
		<li>
			{#if kind === 'picture'}<img src={address(path)} alt="" loading="lazy" />{/if}
			<span class="name">{path}</span>
			<span class="figures">{width && height ? `${width} × ${height} · ` : ''}{size(bytes)}</span>
			<ChangeButton {path} onclick={() => onchange(path)} />
		</li>
	{/each}
</ul>

<style>
	h2 {
		font-size: 1.125rem;
	}

	h2:not(:first-child) {
		margin-top: 1.375rem;
	}

	small {
		color: var(--ink-2);
		font: 0.8125rem/1 var(--mono);
	}

	ul {
		width: 100%;
	}

	li {
		display: grid;
		grid-template-columns: 2.75rem 1fr auto;
		gap: 0 0.625rem;
		align-items: center;
		min-height: 2.75rem;
		border-bottom: 1px solid var(--hair);
	}

	img {
		width: 2.75rem;
		height: 1.75rem;
		grid-row: 1 / 3;
		object-fit: contain;
	}

	.name {
		grid-column: 2 / -1;
		overflow-wrap: anywhere;
	}

	.figures {
		grid-column: 2;
		color: var(--ink-2);
		font: 0.8125rem/1.3 var(--mono);
		white-space: nowrap;
	}
</style>
