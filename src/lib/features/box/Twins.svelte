<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { figure as px, gapsBetween, twinValues } from '$lib/core/box/index.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		paths: readonly [ElementPath, ElementPath];
		/** The computed values of elements in the lead. */
		computed: (paths: readonly ElementPath[]) => Promise<readonly ReadonlyMap<string, string>[]>;
	}

	let { page, paths, computed }: Props = $props();
	const { selectionView } = getSite();

	let mirrored = $state(false);
	const boxes = $derived(selectionView.boxes.find(({ frame }) => frame === 'lead')?.boxes);
	const [a, b] = $derived([boxes?.[0], boxes?.[1]]);
	const gaps = $derived(a && b ? gapsBetween(a, b) : []);
	const names = $derived(
		paths.map((path) => {
			const element = elementAt(page.page, path);
			return element ? nameOfElement(element) : '';
		})
	);
	const values = later({
		question: () => ({ paths, boxes }),
		about: ({ paths: of }) => of.map((path) => path.join()).join(' '),
		ask: ({ paths: of }) => computed(of)
	});
	const rows = $derived.by(() => {
		const [one, other] = values.value ?? [];
		return one && other ? twinValues(one, other, mirrored) : [];
	});
	const different = $derived(rows.filter(({ same }) => !same));
</script>

<Trouble sentence={values.error} />
<table>
	<thead>
		<tr>
			<th scope="col">
				<label><input type="checkbox" bind:checked={mirrored} /> mirrored</label>
			</th>
			{#each names as name, i (i)}<th scope="col" class="code">{name}</th>{/each}
		</tr>
	</thead>
	<tbody>
		{#if a && b}
			<tr>
				<th scope="row">size</th>
				{#each [a, b] as box, i (i)}<td>{px(box.width)} × {px(box.height)}</td>{/each}
			</tr>
			<tr>
				<th scope="row">between them</th>
				<td colspan="2">{gaps.map(({ side, length }) => `${px(length)} to the ${side}`).join(', ')}</td>
			</tr>
		{/if}
		{#each different as { name, a: one, b: other } (name)}
			<tr>
				<th scope="row" class="code">≠ {name}</th>
				<td title={one}>{one}</td>
				<td title={other}>{other}</td>
			</tr>
		{/each}
		<tr>
			<th scope="row">the same</th>
			<td colspan="2">{rows.length - different.length} values{mirrored ? ', as in a mirror' : ''}</td>
		</tr>
	</tbody>
</table>

<style>
	table {
		width: 100%;
		table-layout: fixed;
		border-collapse: collapse;
		font-size: 0.8125rem;
	}

	th,
	td {
		height: 1.625rem;
		padding-right: 0.625rem;
		overflow: hidden;
		border-bottom: 1px solid var(--hair);
		text-align: left;
		text-overflow: ellipsis;
		font-weight: 400;
		white-space: nowrap;
	}

	td,
	.code {
		font-family: var(--mono);
	}

	label {
		display: flex;
		gap: 0.375rem;
		align-items: center;
	}
</style>
