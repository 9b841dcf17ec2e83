<script lang="ts">
	import Menu from '$lib/ui/Menu.svelte';

	interface Props {
		label: string;
		/** The actions, each with its key, '' for none. */
		entries: readonly (readonly [name: string, key: string, act: () => void])[];
	}

	let { label, entries }: Props = $props();

	let menu: Menu;
	export const open = (): void => menu.open();
</script>

<Menu {label} bind:this={menu}>
	{#each entries as [name, key, act] (name)}
		<button type="button" onclick={act}><span>{name}</span> <kbd>{key}</kbd></button>
	{/each}
</Menu>

<style>
	button {
		display: flex;
		align-items: center;
		min-height: 1.625rem;
		padding: 0 0.25rem;
		border: 0;
		background: none;
		text-align: left;
		white-space: nowrap;
		cursor: pointer;
	}

	button:hover {
		background: var(--tint);
	}

	kbd {
		margin-left: auto;
		padding-left: 1.5rem;
		color: var(--ink-2);
		font: 0.8125rem/1.4 var(--mono);
	}
</style>
