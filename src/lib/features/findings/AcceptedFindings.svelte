<script lang="ts">
	import { printIntervalSet } from '$lib/core/interval/index.ts';
	import type { FindingRow } from '$lib/inquiry/findings.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		/** All findings; those accepted at any width are listed. */
		rows: readonly FindingRow[];
	}

	let { site, page, rows }: Props = $props();

	const accepted = $derived(rows.filter(({ accepted: parts }) => parts.length > 0));
</script>

{#if accepted.length > 0}
	<h3>Accepted</h3>
	<ul>
		{#each accepted as row (row.key)}
			{#each row.accepted as part, i (i)}
				<li>
					<span class="widths">{printIntervalSet(part.widths)}</span>
					<span>{row.sentence} <em>{part.reason}</em></span>
					<Button
						look="quiet"
						onclick={() =>
							void site.kept.accepted.keep(
								(list) => list.filter(({ key, page: on }) => key !== row.key || on !== page.path),
								'finding reopened'
							)}>Reopen</Button
					>
				</li>
			{/each}
		{/each}
	</ul>
{/if}

<style>
	h3 {
		margin: 0.75rem 0 0;
		font: 600 0.875rem/1.4 var(--display);
	}

	ul {
		margin: 0.375rem 0 0;
		padding: 0;
		list-style: none;
	}

	li {
		display: grid;
		grid-template-columns: minmax(0, 7.5rem) minmax(0, 1fr) auto;
		gap: 0.5rem;
		align-items: baseline;
		min-height: 1.75rem;
		padding: 0.25rem;
		border-bottom: 1px solid var(--hair);
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	.widths {
		font-family: var(--mono);
	}
</style>
