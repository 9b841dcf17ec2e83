<script lang="ts">
	import type { Inventory } from '$lib/state/inventory.ts';

	interface Props {
		inventory: Inventory;
		/** The address of a page, or of a file beside it, on the Bench. */
		benchOf: (page: string, file?: string) => string;
	}

	let { inventory, benchOf }: Props = $props();
</script>

<h2>Pages and their sheets</h2>
<p>Sheets in the order in which the page’s own HTML puts them: a later one wins over its equals.</p>
<table>
	<thead><tr><th scope="col">Page</th><th scope="col">Sheets, first to last</th></tr></thead>
	<tbody>
		{#each inventory.pages as { path: page, sheets } (page)}
			<tr>
				<th scope="row"><a href={benchOf(page)}>{page}</a></th>
				<td>
					{#each sheets as { path, here }, i (i)}
						{#if i > 0}<span class="then" aria-hidden="true">›</span>{/if}
						{#if path === null}<a href={benchOf(page, page)}>in the page itself</a>
						{:else if here}<a href={benchOf(page, path)}>{path}</a>
						{:else}<span class="gone">{path} <em>not here</em></span>{/if}
					{:else}<span>none</span>{/each}
				</td>
			</tr>
		{/each}
	</tbody>
</table>
{#if inventory.unused.length > 0}
	<p>Used by no page: {inventory.unused.join(', ')}</p>
{/if}

<style>
	h2 {
		font-size: 18px;
	}

	p,
	td > span {
		color: var(--ink-2);
	}

	table {
		width: 100%;
		border-collapse: collapse;
	}

	th,
	td {
		padding: 7px 12px 7px 0;
		border-bottom: 1px solid var(--hair);
		text-align: left;
		vertical-align: top;
		overflow-wrap: anywhere;
	}

	thead th {
		border-bottom-color: var(--ink);
		color: var(--ink-2);
		font-weight: 400;
	}

	tbody th {
		width: 30%;
		font-weight: 700;
	}

	a {
		color: var(--blue);
		text-underline-offset: 3px;
	}

	.then {
		margin: 0 4px;
	}

	.gone em {
		color: var(--rubric);
		font-style: normal;
	}
</style>
