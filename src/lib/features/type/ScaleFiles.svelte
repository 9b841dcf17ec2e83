<script lang="ts">
	import { readSizes, importSizes, toProperties, toTable, toTokens } from '$lib/core/scale/index.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import { download } from '$lib/ui/download.ts';

	interface Props {
		setting: Typesetting;
	}

	let { setting }: Props = $props();
	const { scale } = $derived(setting);
	let said = $state('');
	let input: HTMLInputElement;

	async function take(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
		const [file] = event.currentTarget.files ?? [];
		event.currentTarget.value = '';
		if (!file) return;
		const taken = importSizes(readSizes(await file.text(), setting.root.px), scale);
		said = `${file.name}: ${taken.sentence}`;
		const { scale: made } = taken;
		if (made) setting.put(() => made);
	}
</script>

<p>
	<Button look="quiet" onclick={() => download('scale.tokens.json', toTokens(scale), 'application/json')}
		>Export tokens</Button
	>
	<Button look="quiet" onclick={() => download('scale.css', toProperties(scale, setting.root.px), 'text/css')}
		>as CSS</Button
	>
	<Button look="quiet" onclick={() => download('scale.csv', toTable(scale), 'text/csv')}>as CSV</Button>
	<Button look="quiet" onclick={() => input.click()}>Import a file</Button>
	<input
		bind:this={input}
		type="file"
		hidden
		aria-label="File of sizes"
		accept=".json,.css,.csv"
		onchange={take}
	/>
</p>
{#if said}<p role="status">{said}</p>{/if}

<style>
	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.375rem;
		margin: 0;
	}
</style>
