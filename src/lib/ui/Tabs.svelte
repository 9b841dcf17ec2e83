<script lang="ts">
	interface Tab {
		readonly id: string;
		readonly name: string;
		readonly title: string;
		readonly mark: string;
		/** The heading of the tabs from here to the next group, in a word or a few. */
		readonly group?: string | undefined;
	}

	interface Props {
		label: string;
		/** The tabs of a group are adjacent. */
		tabs: readonly Tab[];
		chosen: string;
		onchoose: (id: string) => void;
		/** Whether tabs wrap into further rows; otherwise they scroll. */
		wraps?: boolean;
	}

	let { label, tabs, chosen, onchoose, wraps = false }: Props = $props();

	const groups = $derived([...Map.groupBy(tabs, ({ group }) => group ?? '')]);

	let list: HTMLElement;
	$effect(() => {
		void chosen;
		// Among many files the selected one may be out of sight.
		if (!wraps)
			list.querySelector('[aria-selected=true]')?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
	});

	function step(event: KeyboardEvent & { currentTarget: HTMLElement }): void {
		const by = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
		if (by === undefined) return;
		event.preventDefault();
		const i = tabs.findIndex(({ id }) => id === chosen);
		const next = (i + by + tabs.length) % tabs.length;
		const tab = tabs[next];
		if (!tab) return;
		onchoose(tab.id);
		event.currentTarget.querySelectorAll<HTMLElement>('[role=tab]')[next]?.focus();
	}
</script>

<div bind:this={list} role="tablist" class:wraps tabindex="-1" aria-label={label} onkeydown={step}>
	{#each groups as [group, members] (group)}
		<div role="presentation">
			{#if group}<i>{group}</i>{/if}
			{#each members as { id, name, title, mark } (id)}
				<button
					type="button"
					role="tab"
					title={group ? `${title} (${group})` : title}
					aria-selected={id === chosen}
					tabindex={id === chosen ? 0 : -1}
					onclick={() => onchoose(id)}
				>
					{name}{#if mark}<span>{mark}</span>{/if}
				</button>
			{/each}
		</div>
	{/each}
</div>

<style>
	[role='tablist'] {
		display: flex;
		flex: none;
		padding: 0 0.5rem;
		border-bottom: 1px solid var(--hair);
		overflow-x: auto;
		scrollbar-width: thin;
	}

	.wraps {
		flex-wrap: wrap;
		overflow-x: visible;
	}

	[role='presentation'] {
		display: flex;
		flex: none;
	}

	.wraps [role='presentation'] {
		flex: 0 1 auto;
		flex-wrap: wrap;
	}

	i {
		padding: 0 0.375rem 0 0.625rem;
		align-self: center;
		color: var(--ink-2);
		font: italic 0.8125rem/1.2 var(--display);
		white-space: nowrap;
	}

	.wraps i,
	[role='presentation']:first-child i {
		padding-left: 0.25rem;
	}

	.wraps button {
		min-height: 2rem;
	}

	button {
		flex: none;
		min-height: 2.25rem;
		max-width: 13.75rem;
		padding: 0 0.25rem;
		border: 0;
		border-bottom: 2px solid transparent;
		background: none;
		color: var(--ink-2);
		font-size: 0.8125rem;
		text-overflow: ellipsis;
		white-space: nowrap;
		overflow: hidden;
		cursor: pointer;
	}

	button:hover {
		color: var(--ink);
	}

	button[aria-selected='true'] {
		border-bottom-color: var(--ink);
		color: var(--ink);
		font-weight: 700;
	}

	button:focus-visible {
		outline-offset: -3px;
	}

	span {
		margin-left: 0.375rem;
		color: var(--ochre);
		font-weight: 700;
	}
</style>
