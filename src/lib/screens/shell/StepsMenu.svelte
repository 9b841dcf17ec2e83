<script lang="ts">
	import type { Step } from '$lib/core/history/index.ts';
	import type { SiteHistory } from '$lib/session/history.svelte.ts';
	import Menu from '$lib/ui/Menu.svelte';
	import { roving } from '$lib/ui/roving.ts';

	let { history }: { history: SiteHistory } = $props();

	let menu = $state<Menu>();

	export const open = (): void => menu?.open();

	/** The newest first, each with the number of steps done up to it. */
	const rows = $derived(history.steps.map((step, i) => ({ step, made: i + 1 })).toReversed());

	const filesOf = ({ files }: Step): string =>
		files.length > 2
			? `${files.length} files`
			: files.map(({ path }) => path.replace(/^.*\//, '')).join(', ');
	/** The files that a step changed, if any, and the time of day. */
	const whenOf = (step: Step): string =>
		[filesOf(step), new Date(step.at).toTimeString().slice(0, 5)].filter((one) => one !== '').join(', ');
</script>

<div class="steps">
	<Menu label="Steps" bind:this={menu} onopen={() => history.name()}>
		<p>Newest first. Choose a step to go to it.</p>
		<div class="list" {@attach roving('button', 'column')}>
			{#each rows as { step, made } (step.number)}
				<button
					type="button"
					class:back={made > history.made}
					aria-current={made === history.made ? 'step' : undefined}
					onclick={() => history.goTo(made)}
				>
					<span class="words">{step.words || 'Typing'}</span>
					<span class="when">{made > history.made ? 'undone, ' : ''}{whenOf(step)}</span>
				</button>
			{/each}
			<button
				type="button"
				aria-current={history.made === 0 ? 'step' : undefined}
				onclick={() => history.goTo(0)}
			>
				<span class="words">{rows.length === 0 ? 'No steps yet' : 'Before the first step'}</span>
			</button>
		</div>
	</Menu>
</div>

<style>
	.steps {
		white-space: nowrap;
	}

	.steps p {
		max-width: 34rem;
		color: var(--ink-2);
		white-space: normal;
	}

	button {
		display: flex;
		gap: 0.25rem 1rem;
		align-items: baseline;
		width: 34rem;
		max-width: 88vw;
		min-height: 1.625rem;
		padding: 0.125rem 0.25rem;
		border: 0;
		background: none;
		color: inherit;
		text-align: left;
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}

	button[aria-current] {
		background: var(--pick);
	}

	.words {
		flex: 1;
		min-width: 0;
		white-space: normal;
		overflow-wrap: anywhere;
	}

	.when {
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	.back .words {
		color: var(--ink-2);
	}
</style>
