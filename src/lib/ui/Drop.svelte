<script lang="ts">
	import type { Snippet } from 'svelte';
	import Button from './Button.svelte';

	interface Props {
		busy: boolean;
		/** The screen's main action. */
		primary: boolean;
		ondrop: (transfer: DataTransfer) => void;
		onchoose: (input: HTMLInputElement) => void;
		children: Snippet;
	}

	let { busy, primary, ondrop, onchoose, children }: Props = $props();

	let over = $state(false);
	let folder: HTMLInputElement;
	let files: HTMLInputElement;

	function choose(event: Event & { currentTarget: HTMLInputElement }): void {
		onchoose(event.currentTarget);
		event.currentTarget.value = '';
	}
</script>

<div
	class="drop"
	class:over
	role="group"
	aria-label="Drop files here"
	ondragover={(event) => {
		event.preventDefault();
		over = true;
	}}
	ondragleave={() => (over = false)}
	ondrop={(event) => {
		event.preventDefault();
		over = false;
		if (event.dataTransfer) ondrop(event.dataTransfer);
	}}
>
	{@render children()}
	<p class="actions">
		<Button look={primary ? 'primary' : 'plain'} disabled={busy} onclick={() => folder.click()}>
			{busy ? 'Bringing in…' : 'Choose a folder'}
		</Button>
		<Button disabled={busy} onclick={() => files.click()}>Choose a zip or a page</Button>
	</p>
	<input bind:this={folder} type="file" webkitdirectory hidden onchange={choose} />
	<input bind:this={files} type="file" multiple accept=".zip,.html,.htm,.xhtml" hidden onchange={choose} />
</div>

<style>
	.drop {
		display: grid;
		gap: 0.875rem;
		padding: 1.5rem;
		border: 1px dashed var(--ink-2);
		background: var(--sheet);
	}

	.drop.over {
		border-style: solid;
		border-color: var(--blue);
		background: var(--tint);
	}

	.actions {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
	}
</style>
