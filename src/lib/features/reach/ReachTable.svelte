<script lang="ts">
	import { elementsOf } from '$lib/core/selector/index.ts';
	import { roving } from '$lib/ui/roving.ts';
	import type { ReachRow } from './reachRows.ts';

	interface Props {
		/** Selectors by reach; a heading where another reach begins, and whether a rule with each would win. */
		rows: readonly (ReachRow & { readonly heading: string; readonly fate: string })[];
		/** The number of other pages. */
		others: number;
		oncopy: (selector: string) => void;
		/** Outlines what a selector matches in the frames; '' for nothing. */
		onoutline: (selector: string) => void;
	}

	let { rows, others, oncopy, onoutline }: Props = $props();
</script>

<table>
	<thead>
		<tr>
			<th scope="col">selector, by how far it reaches</th>
			<th scope="col">here</th>
			<th scope="col">{others === 1 ? '1 other page' : `${others} other pages`}</th>
			<th scope="col" title="ids, classes, types">specificity</th>
		</tr>
	</thead>
	<tbody {@attach roving('.selector', 'column')}>
		{#each rows as { selector, heading, here, pages, specificity, fragile, remark, fate: end } (selector)}
			{#if heading}<tr class="rung"><th scope="rowgroup" colspan="4">{heading}</th></tr>{/if}
			<tr>
				<td>
					<button
						type="button"
						class="selector"
						onclick={() => oncopy(selector)}
						onmouseenter={() => onoutline(elementsOf(selector))}
						onmouseleave={() => onoutline('')}
						onfocus={() => onoutline(elementsOf(selector))}
						onblur={() => onoutline('')}>{selector}</button
					>
					{#if fragile}<span class="note">‸ {fragile}</span>{/if}
					{#if remark}<span class="note">{remark}</span>{/if}
					{#if end}<span class="note" class:wins={end.startsWith('✓')}>{end}</span>{/if}
				</td>
				<td class:only={here === 1}>{here ?? ''}</td>
				<td title={pages.join(', ')}
					>{pages.length === 0 ? '–' : pages.length > 1 ? `on ${pages.length}` : pages[0]}</td
				>
				<td>{specificity.join(', ')}</td>
			</tr>
		{/each}
	</tbody>
</table>

<style>
	.note {
		color: var(--ink-2);
		display: block;
		font-size: 0.8125rem;
	}

	.wins {
		color: var(--verdigris);
	}

	table {
		width: 100%;
		margin-top: 0.375rem;
		border-collapse: collapse;
		font-size: 0.8125rem;
	}

	th,
	td {
		height: 1.625rem;
		padding: 2px 0.75rem 2px 0;
		text-align: left;
		vertical-align: baseline;
	}

	th {
		color: var(--ink-2);
		font-weight: 400;
		white-space: nowrap;
	}

	.rung th {
		padding-top: 0.5rem;
		border-top: 1px solid var(--hair);
	}

	td:not(:first-child) {
		font-family: var(--mono);
		white-space: nowrap;
	}

	.only {
		font-weight: 700;
	}

	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		text-align: left;
		cursor: pointer;
	}

	.selector {
		color: var(--ink);
		font: 0.8125rem/1.4 var(--mono);
		overflow-wrap: anywhere;
	}

	button:not(:disabled):hover {
		text-decoration: underline;
	}
</style>
