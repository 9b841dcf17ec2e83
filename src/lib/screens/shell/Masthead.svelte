<script lang="ts">
	import { notices } from '$lib/session/notices.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Menu from '$lib/ui/Menu.svelte';
	import Notice from './Notice.svelte';
	import SavedState from './SavedState.svelte';
	import StepsMenu from './StepsMenu.svelte';

	interface Props {
		site: SiteState;
		page: string;
		pages: readonly string[];
		/** Whether saving is the main action on this screen. */
		primary: boolean;
		onpage: (path: string) => void;
		/** Shows all keys. */
		onkeys: () => void;
		/** Opens Find. */
		onfind: () => void;
		/** Shows the changes, line by line. */
		onchanges: () => void;
	}

	let { site, page, pages, primary, onpage, onkeys, onfind, onchanges }: Props = $props();

	let muted = $state<Menu>();
	let choice: HTMLSelectElement;

	export const openMuted = (): void => muted?.open();
	export const toPages = (): void => choice.focus();
</script>

<header>
	<p class="brand">Vantaggio</p>
	<h1 title={site.name}>{site.name}</h1>
	<select
		bind:this={choice}
		aria-label="Page"
		value={page}
		onchange={(event) => onpage(event.currentTarget.value)}
	>
		{#each pages as path (path)}<option value={path}>{path}</option>{/each}
	</select>
	{#if notices.list.length > 0}<div class="notice"><Notice /></div>{/if}
	<Button look="quiet" onclick={onfind} title="/">Find</Button>
	<Button look="quiet" onclick={onkeys} title="?">Keys</Button>
	{#if site.muted.length > 0}
		<div class="muted">
			<Menu label="{site.muted.length} muted" bind:this={muted}>
				<p>Muted in the frames only; saved as written</p>
				{#each site.muted as { file, piece }, i (i)}
					<button type="button" onclick={() => file.unmute(piece)}>
						<span><s>{piece.words}</s> {file.path.replace(/^.*\//, '')}</span> unmute
					</button>
				{/each}
				<button type="button" onclick={() => site.muted.forEach(({ file }) => file.unmute())}>
					<span>Unmute everything</span> <kbd>Shift M</kbd>
				</button>
			</Menu>
		</div>
	{/if}
	<SavedState {site} />
	<StepsMenu history={site.history} />
	<Button look="quiet" onclick={onchanges}>Changes</Button>
	<Button
		look={primary ? 'primary' : 'plain'}
		disabled={site.dirty.length === 0 || site.saving.state.kind === 'saving'}
		onclick={() => site.saving.all()}
		aria-keyshortcuts="Control+S Meta+S">Save all</Button
	>
</header>

<style>
	header {
		grid-area: masthead;
		display: flex;
		align-items: center;
		gap: 1.125rem;
		position: relative;
		z-index: 6;
		min-width: 0;
		padding: 0 1rem;
		border-bottom: 1px solid var(--ink);
		background: var(--sheet);
	}

	.brand {
		font: 600 1.5rem/1 var(--display);
	}

	h1 {
		color: var(--ink-2);
		font: inherit;
		max-width: 22ch;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	select {
		height: 1.75rem;
		flex: 0 1 auto;
		min-width: 6ch;
		max-width: 26ch;
		padding: 0 2px;
	}

	header :global(button) {
		flex: none;
		white-space: nowrap;
	}

	.muted {
		position: relative;
		z-index: 6;
		color: var(--rubric);
		white-space: nowrap;
	}

	.muted button {
		display: flex;
		gap: 1.5rem;
		justify-content: space-between;
		min-height: 1.625rem;
		padding: 0;
		border: 0;
		background: none;
		cursor: pointer;
	}

	.muted button:hover {
		text-decoration: underline;
	}

	.muted s {
		font-family: var(--mono);
	}

	/* With large text in a small window, orientation gives way to actions. */
	@media (width < 50rem) {
		header {
			gap: 0.625rem;
			padding: 0 0.5rem;
		}

		.brand {
			display: none;
		}

		/* Still there for screen readers. */
		h1 {
			position: absolute;
			width: 1px;
			clip-path: inset(50%);
		}
	}

	.notice {
		flex: 1;
		min-width: 0;
		color: var(--ochre);
		font-size: 0.8125rem;
		line-height: 1.2;
	}
</style>
