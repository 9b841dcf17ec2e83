<script lang="ts">
	import { figure as px, type ElementBox, type Sides } from '$lib/core/box/index.ts';

	interface Props {
		/** The box in each frame; null where it has none there, and why it does not show. */
		rows: readonly { frame: string; name: string; box: ElementBox | null; why: string }[];
	}

	let { rows }: Props = $props();

	/** Four sides in their shortest notation. */
	function sides({ top, right, bottom, left }: Sides): string {
		const all = [top, right, bottom, left].map(px);
		if (all[3] !== all[1]) return all.join(' ');
		if (all[2] !== all[0]) return all.slice(0, 3).join(' ');
		return all[1] === all[0] ? (all[0] ?? '0') : all.slice(0, 2).join(' ');
	}

	const COLUMNS: readonly (readonly [string, (box: ElementBox) => string])[] = [
		['size', ({ width, height }) => `${px(width)} × ${px(height)}`],
		['margin', ({ margin }) => sides(margin)],
		['border', ({ border }) => sides(border)],
		['padding', ({ padding }) => sides(padding)]
	];
</script>

<table>
	<thead>
		<tr>
			<th scope="col">px in</th>
			{#each COLUMNS as [name] (name)}<th scope="col">{name}</th>{/each}
		</tr>
	</thead>
	<tbody>
		{#each rows as { frame, name, box, why } (frame)}
			<tr>
				<th scope="row"
					>{name}{#if box && why}<span class="why">{why}</span>{/if}</th
				>
				{#if box}
					{#each COLUMNS as [column, figure] (column)}<td>{figure(box)}</td>{/each}
				{:else}
					<td colspan={COLUMNS.length} class="none">{why || 'no box here'}</td>
				{/if}
			</tr>
		{/each}
	</tbody>
</table>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 0.8125rem;
	}

	th,
	td {
		height: 1.625rem;
		padding-right: 0.75rem;
		border-bottom: 1px solid var(--hair);
		text-align: left;
		font-weight: 400;
		white-space: nowrap;
	}

	thead th {
		color: var(--ink-2);
	}

	td {
		font-family: var(--mono);
	}

	.none {
		color: var(--ink-2);
		font-family: inherit;
	}

	.why {
		display: block;
		color: var(--ochre);
	}
</style>
