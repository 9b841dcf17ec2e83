<script lang="ts">
	import type { Missing } from '$lib/inquiry/inventory.ts';

	interface Props {
		/** Missing files that pages and sheets refer to. */
		missing: readonly Missing[];
	}

	let { missing }: Props = $props();

	const wanted = $derived(missing.filter(({ kind }) => kind !== 'page' && kind !== 'script'));
	const pagesAway = $derived(missing.filter(({ kind }) => kind === 'page'));

	const scripts = $derived(missing.filter(({ kind }) => kind === 'script'));

	const from = ({ from }: Missing): string =>
		from.length > 2 ? `${from.slice(0, 2).join(', ')} and ${from.length - 2} more` : from.join(', ');
</script>

<h2>Missing</h2>
{#if missing.length === 0}
	<p class="fine">✓ Everything that pages and sheets ask for is here.</p>
{:else}
	<ul>
		{#each wanted as one (one.name)}
			<li>
				<b>{one.kind === 'other' ? 'file' : one.kind}</b> <code>{one.name}</code>
				<span
					>{one.outside ? 'on another host, never fetched;' : 'not in this site;'} referenced by {from(
						one
					)}</span
				>
			</li>
		{/each}
		{#if pagesAway.length > 0}
			<li>
				<b>pages</b>
				<span>{pagesAway.length} linked to but not here: {pagesAway.map(({ name }) => name).join(', ')}</span>
			</li>
		{/if}
		{#if scripts.length > 0}
			<li>
				<b>{scripts.length === 1 ? 'script' : 'scripts'}</b>
				<span
					>{scripts.length} not here, and none would be run: {scripts
						.map(({ name }) => name)
						.join(', ')}</span
				>
			</li>
		{/if}
	</ul>
{/if}

<style>
	h2 {
		font-size: 1.125rem;
	}

	ul {
		display: grid;
		gap: 0.25rem;
		width: 100%;
	}

	li {
		padding: 0.3125rem 0;
		border-bottom: 1px solid var(--hair);
		overflow-wrap: anywhere;
	}

	li span {
		color: var(--ink-2);
	}

	.fine {
		color: var(--verdigris);
	}

	code {
		font: 0.8125rem/1.4 var(--mono);
	}
</style>
