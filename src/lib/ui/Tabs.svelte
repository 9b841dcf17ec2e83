<script lang="ts">
	interface Props {
		label: string;
		tabs: readonly { id: string; name: string; title: string; mark: string }[];
		chosen: string;
		onchoose: (id: string) => void;
	}

	let { label, tabs, chosen, onchoose }: Props = $props();

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

<div role="tablist" tabindex="-1" aria-label={label} onkeydown={step}>
	{#each tabs as { id, name, title, mark } (id)}
		<button
			type="button"
			role="tab"
			{title}
			aria-selected={id === chosen}
			tabindex={id === chosen ? 0 : -1}
			onclick={() => onchoose(id)}
		>
			{name}{#if mark}<span>{mark}</span>{/if}
		</button>
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
