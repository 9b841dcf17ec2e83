<script lang="ts">
	import type { Typesetting } from './typesetting.svelte.ts';
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

	/** What writing would change. */
	const wake = $derived.by(() => {
		const { edit, work, changed, elsewhere } = setting;
		if (!edit) return work === 'sizes' ? '' : 'nothing changes';
		const own = `${changed.length} ${plural(changed.length, 'text changes', 'texts change')} size here`;
		const { elements = 0, pages = 0 } = elsewhere ?? {};
		const on =
			pages > 0
				? `; its rules match ${elements} elsewhere, on ${pages} ${plural(pages, 'page', 'pages')}`
				: '';
		return `if written: ${own}${on}`;
	});
</script>

<p class="wake">
	<b>Wake</b>
	<span role="status">{wake}</span>
	{#if setting.work === 'sizes' && setting.written}
		<span>written into {short(setting.written)}</span>
		<Button onclick={() => setting.takeBack()}>Undo</Button>
	{/if}
	{#if setting.work !== 'sizes'}
		<Button look="primary" disabled={!setting.edit} title="Q" onclick={onwrite}
			>Write into {short(setting.into)}</Button
		>
		<Button onclick={() => setting.drop()}>Discard</Button>
		<Button look="quiet" disabled={!setting.canUndo} onclick={() => setting.undo()} title="Z">Undo</Button>
	{/if}
	{#if setting.work === 'sizes'}
		<span class="hint"><kbd>S</kbd> a scale · <kbd>O</kbd> one length</span>
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
		/* Equally high with and without buttons, because the lead's height depends on it. */
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

	[role='status'] {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	.hint {
		color: var(--ink-2);
		white-space: nowrap;
	}

	label {
		margin-left: auto;
		color: var(--ink-2);
	}
</style>
