<script lang="ts">
	import { figure as px } from '$lib/core/box/index.ts';
	import { nameOfElement, type PageElement } from '$lib/core/html/index.ts';
	import type { Collating } from '$lib/state/collating.svelte.ts';

	interface Props {
		collating: Collating;
		element: PageElement;
	}

	let { collating, element }: Props = $props();

	const { shown, here } = $derived(collating);

	/** How the children stand: their names in visual order. */
	function reads(order: readonly number[]): string {
		return order
			.map((index) => element.children[index])
			.flatMap((child) => (child ? [nameOfElement(child).replace(/^.*?[.#]/, '')] : []))
			.join(', ');
	}
	const laid = $derived(shown.map((column) => collating.laid.get(column.width)));
	const isSame = (i: number, of: (n: number) => string): boolean => i > 0 && of(i) === of(i - 1);
	const layoutRows = $derived.by(() => {
		const rows: { name: string; of: (i: number) => string }[] = [
			{ name: 'shown', of: (i) => (laid[i] ? (laid[i].shown ? 'yes' : 'no') : '') },
			{ name: 'box, px', of: (i) => (laid[i] ? `${px(laid[i].width)} × ${px(laid[i].height)}` : '') }
		];
		const many = laid.some((one) => one && one.order.length > 1);
		return many
			? [{ name: 'reads', of: (i: number) => (laid[i] ? reads(laid[i].order) : '') }, ...rows]
			: rows;
	});
</script>

<tbody>
	<tr class="group"><th scope="rowgroup" colspan={shown.length + 1}>From layout</th></tr>
	{#each layoutRows as { name, of } (name)}
		<tr>
			<th scope="row">{name}</th>
			{#each shown as column, i (column.letter)}
				<td class:here={collating.columns[here] === column} class="laid">
					{#if isSame(i, of)}<hr />{:else}{of(i)}{/if}
				</td>
			{/each}
		</tr>
	{/each}
</tbody>

<style>
	.laid {
		padding-left: 0.625rem;
		overflow: hidden;
		font-family: var(--mono);
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	hr {
		margin: 0 0.375rem 0 0;
		border: 0;
		border-top: 1px solid var(--pale);
	}
</style>
