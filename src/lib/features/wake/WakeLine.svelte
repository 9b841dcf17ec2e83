<script lang="ts">
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import { editInWords } from './wake.ts';
	import type { Waking } from './waking.svelte.ts';
	import { printIntervalSet } from '$lib/core/interval/index.ts';
	import type { Holding } from '$lib/features/holds/holding.svelte.ts';
	import type { Swept } from '$lib/features/findings/sweeping.svelte.ts';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		waking: Waking | null;
		holding: Holding | null;
		swept: Swept | null;
		onpropose: () => Promise<{ readonly proposal: Proposal }>;
	}

	let { waking, holding, swept, onpropose }: Props = $props();

	/** An edit that broke a Hold is never said to have changed nothing. */
	const words = $derived(
		waking?.wake?.changed.length === 0 && (holding?.breaches.length ?? 0) > 0 ? [] : (waking?.words ?? [])
	);

	/** The height of the visible text, and of all of it, px. */
	let [room, needed] = $state([0, 0]);
	let isWhole = $state(false);
	const isCut = $derived(isWhole || needed > room);

	async function limit(): Promise<void> {
		const { proposal } = await onpropose();
		waking?.limit(proposal);
	}
</script>

<div class="wake" role="status" aria-label="Wake: what the last edit changed">
	<b>Wake</b>
	<div class="text" class:whole={isWhole} bind:clientHeight={room}>
		<p bind:clientHeight={needed}>
			{#each holding?.breaches ?? [] as breach, i (i)}
				{@const { hold, changed, widths } = breach}
				<span class="broken">
					Hold broken: {hold.page === swept?.page.path ? '' : `${hold.page}, `}{printIntervalSet(widths)},
					{changed
						.slice(0, 3)
						.map(({ path }) => (swept && holding ? holding.nameOf(swept, hold.page, path) : path))
						.join(', ')}{changed.length > 3 ? ` and ${changed.length - 3} more` : ''}.
				</span>
				<Button look="quiet" onclick={() => void holding?.allow(breach)}>Allow for these elements</Button>
				<Button look="quiet" onclick={() => swept && void holding?.renew(swept, hold)}
					>Hold the new state</Button
				>
			{/each}
			{#if waking && waking.trouble !== ''}
				<span class="warns">Not known: {waking.trouble}</span>
			{:else if waking?.busy && (waking.isOld || !waking.wake)}
				<span>measuring the last edit …</span>
			{:else if waking?.wake && !waking.isOld}
				<i>{editInWords(waking.wake)}:</i>
				{#each words as { text, warns }, i (i)}
					<span class:warns>{text}</span>
				{/each}
			{/if}
		</p>
	</div>
	<div class="acts">
		{#if isCut}
			<Button look="quiet" onclick={() => (isWhole = !isWhole)}>{isWhole ? 'Show less' : 'Show all'}</Button>
		{/if}
		{#if waking?.wake && !waking.isOld && waking.wake.changed.length > 0}
			{#if waking.canLimit}
				<Button look="quiet" onclick={() => void limit()}>Limit to the carriage’s band</Button>
			{/if}
			<Button look="quiet" title="Shift P, held, shows the page before it" onclick={() => waking.takeBack()}
				>{waking.isBack ? 'Redo' : 'Undo'}</Button
			>
		{/if}
	</div>
</div>

<style>
	.wake {
		display: grid;
		grid-template:
			'title acts' auto
			'text text' auto / auto minmax(0, 1fr);
		flex: none;
		column-gap: 0.75rem;
		align-items: baseline;
		padding: 3px 0.875rem;
		border-top: 1px solid var(--hair);
		font-size: 0.8125rem;
	}

	b {
		font: 600 0.875rem/1.4 var(--display);
	}

	.text {
		grid-area: text;
		/* A fixed height, so that the sheet above it stays where it is. */
		height: 3.5rem;
		overflow: auto;
	}

	.whole {
		height: auto;
		max-height: 12rem;
	}

	span {
		margin-right: 0.375rem;
	}

	i {
		margin-right: 0.25rem;
		color: var(--ink-2);
	}

	.broken {
		color: var(--rubric);
		font-weight: 700;
	}

	.warns {
		color: var(--ochre);
		font-weight: 600;
	}

	.acts {
		display: flex;
		grid-area: acts;
		gap: 0 1rem;
		justify-content: flex-end;
	}
</style>
