<script lang="ts">
	interface Props {
		screens: readonly { name: string; href: string; here: boolean }[];
	}

	let { screens }: Props = $props();
</script>

<nav aria-label="Screens">
	{#each screens as { name, href, here } (name)}
		<a {href} aria-current={here ? 'page' : undefined}>{name}</a>
	{/each}
</nav>

<style>
	nav {
		grid-area: spine;
		display: flex;
		flex-direction: column;
		gap: 0.375rem;
		padding-top: 3.125rem;
		background: var(--spine);
	}

	a {
		display: flex;
		align-items: center;
		justify-content: center;
		min-height: 4.375rem;
		margin-left: 0.25rem;
		padding: 0.75rem 0;
		border-radius: 3px 0 0 3px;
		color: var(--on-spine);
		letter-spacing: 0.04em;
		text-decoration: none;
		writing-mode: vertical-rl;
	}

	a:hover {
		color: var(--brass);
	}

	a[aria-current] {
		background: var(--paper);
		color: var(--ink);
		font-weight: 700;
	}

	a:focus-visible {
		outline-color: var(--brass);
		outline-offset: -4px;
	}
</style>
