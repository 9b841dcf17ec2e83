<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { figure as px, partsOfSpace, type SpacePart } from '$lib/core/box/index.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SpaceFound } from '$lib/stage/protocol.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		path: ElementPath;
		/** The space at each side of an element in the lead. */
		spaces: (path: ElementPath) => Promise<readonly SpaceFound[]>;
		onselect: (paths: readonly ElementPath[]) => void;
	}

	let { page, path, spaces, onselect }: Props = $props();
	const { selectionView } = getSite();

	const asked = later({
		question: () => ({ path, of: [page.conditions, selectionView.boxes] }),
		about: ({ path: of }) => of.join(),
		ask: ({ path: of }) => spaces(of)
	});

	const SIDES = { top: 'above', right: 'right', bottom: 'below', left: 'left' } as const;
	const CALLED: Readonly<Record<SpacePart['of'], string>> = {
		margin: 'own margin',
		'auto-margin': 'own auto margin',
		neighbour: 'its margin',
		collapsed: 'both margins, collapsed',
		gap: 'gap',
		padding: 'its padding',
		rest: 'line height, alignment or free room'
	};
	const rows = $derived(
		(asked.value ?? []).map((one) => {
			const other = elementAt(page.page, one.path ?? path.slice(0, -1));
			return { ...one, other, parts: partsOfSpace(one) };
		})
	);
</script>

<Trouble sentence={asked.error} />
{#if rows.length > 0}
	<table>
		<thead>
			<tr
				><th scope="col">space</th><th scope="col">px</th><th scope="col">to</th><th scope="col">from</th></tr
			>
		</thead>
		<tbody>
			{#each rows as { side, length, other, path: to, parts } (side)}
				<tr>
					<th scope="row">{SIDES[side]}</th>
					<td>{px(length)}</td>
					<td>
						{#if other}
							<button type="button" onclick={() => onselect([other.path])}
								>{to ? '' : 'the edge of '}{nameOfElement(other)}</button
							>
						{/if}
					</td>
					<td class="parts">
						{parts.map(({ of, length: part }) => `${CALLED[of]} ${px(part)}`).join(' + ') || 'nothing'}
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
{/if}

<style>
	table {
		width: 100%;
		margin-top: 0.5rem;
		border-collapse: collapse;
		font-size: 0.8125rem;
	}

	th,
	td {
		height: 1.625rem;
		padding-right: 0.75rem;
		border-bottom: 1px solid var(--hair);
		font-weight: 400;
		text-align: left;
		vertical-align: baseline;
	}

	thead th,
	.parts {
		color: var(--ink-2);
	}

	td {
		font-family: var(--mono);
	}

	.parts {
		font-family: inherit;
	}

	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		font: 0.8125rem/1.2 var(--mono);
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}
</style>
