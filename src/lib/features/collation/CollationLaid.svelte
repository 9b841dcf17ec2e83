<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { boxParts, figure as px } from '$lib/core/box/index.ts';
	import { nameOfElement, type PageElement } from '$lib/core/html/index.ts';
	import type { Collating } from './collating.svelte.ts';
	import SumBar from '$lib/features/box/SumBar.svelte';

	interface Props {
		collating: Collating;
		element: PageElement;
		/** Whether columns are wide enough for the drawing. */
		wide: boolean;
	}

	let { collating, element, wide }: Props = $props();
	const { selectionView } = getSite();

	const { shown, here } = $derived(collating);

	/** The arrangement of the children: their names in visual order. */
	function reads(order: readonly number[]): string {
		return order
			.map((index) => element.children[index])
			.flatMap((child) => (child ? [nameOfElement(child).replace(/^.*?[.#]/, '')] : []))
			.join(', ');
	}
	const laid = $derived(shown.map((column) => collating.laid.get(column.width)));
	const isSame = (i: number, of: (n: number) => string): boolean =>
		i > 0 && of(i) !== '' && of(i) === of(i - 1);
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
	/** The box in the frame over each column. */
	const boxes = $derived(
		shown.map(({ width }) => {
			const frame = collating.looked?.frameAt(width);
			return selectionView.boxes.find((one) => one.frame === frame)?.boxes[0] ?? null;
		})
	);
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
	{#if wide && boxes.some((box) => box !== null)}
		<tr>
			<th scope="row">sum of widths</th>
			{#each shown as column, i (column.letter)}
				{@const box = boxes[i]}
				<td class:here={collating.columns[here] === column} class="sum">
					{#if box}<SumBar {...boxParts(box, 'width')} room={box.room} />{/if}
				</td>
			{/each}
		</tr>
	{/if}
</tbody>

<style>
	.laid {
		padding-left: 0.625rem;
		overflow: hidden;
		font-family: var(--mono);
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	.sum {
		padding: 0 0.625rem;
		vertical-align: top;
	}

	hr {
		margin: 0 0.375rem 0 0;
		border: 0;
		border-top: 1px solid var(--pale);
	}
</style>
