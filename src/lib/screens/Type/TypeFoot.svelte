<script lang="ts">
	import { carriage } from '$lib/state/carriage.svelte.ts';
	import type { Typesetting } from '$lib/state/typesetting.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import type { Hung } from './hung.svelte.ts';

	interface Props {
		setting: Typesetting;
		hung: Hung;
		onwrite: () => void;
	}

	let { setting, hung, onwrite }: Props = $props();

	const short = (path: string): string => path.replace(/^.*\//, '');
	const plural = (count: number, one: string, more: string): string => (count === 1 ? one : more);

	/** How the lead's title and words are set, by the engine. */
	const setLines = $derived.by(() => {
		const laid = setting.reading.laid.get(carriage.width);
		return setting.reading
			.levels('now')
			.filter(({ name }) => name === 'h1' || name === 'p')
			.flatMap(({ name, path }) => {
				const broken = laid?.broken.get(path.join('.'));
				const height = laid?.lineHeights.get(path.join('.'));
				if (!broken) return [];
				const { characters, lines } = broken;
				const high = height && Number.isFinite(height) ? `, line height ${Number(height.toFixed(1))} px` : '';
				return `${name}: ${characters} characters a line, ${lines} ${plural(lines, 'line', 'lines')}${high}`;
			})
			.join(' · ');
	});

	/** What writing would change. */
	const wake = $derived.by(() => {
		const { edit, work, changed, elsewhere } = setting;
		if (!edit) return work === 'sizes' ? setLines : 'nothing changes';
		const own = `${changed.length} ${plural(changed.length, 'text changes its', 'texts change their')} size here`;
		const { elements = 0, pages = 0 } = elsewhere ?? {};
		const on =
			pages > 0 ? `; its rules hit ${elements} on ${pages} other ${plural(pages, 'page', 'pages')}` : '';
		return `if written: ${own}${on}`;
	});
</script>

<p class="wake">
	<b>Wake</b>
	<span role="status">{wake}</span>
	{#if setting.work !== 'sizes'}
		<Button look="primary" disabled={!setting.edit} title="Q" onclick={onwrite}
			>Write into {short(setting.into)}</Button
		>
		<Button onclick={() => setting.drop()}>Let it go</Button>
		<Button look="quiet" disabled={!setting.canUndo} onclick={() => setting.undo()} title="Z">Undo</Button>
	{/if}
	<label>
		browser’s text size
		<select value={hung.browser} onchange={(event) => (hung.browser = Number(event.currentTarget.value))}>
			{#each [16, 20, 24] as px (px)}<option value={px}>{px} px</option>{/each}
		</select>
	</label>
</p>

<style>
	.wake {
		display: flex;
		align-items: center;
		gap: 1.25rem;
		/* As high with its buttons as without: the lead's height hangs on it. */
		min-height: 2.75rem;
		margin: 0;
		padding: 0.25rem 1.25rem 0.25rem 1rem;
		border-top: 1px solid var(--ink);
		background: var(--sheet);
	}

	b {
		font: 600 1rem/1.2 var(--display);
	}

	.wake :global(button),
	label {
		flex: none;
	}

	label {
		margin-left: auto;
		color: var(--ink-2);
	}
</style>
