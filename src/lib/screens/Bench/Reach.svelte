<script lang="ts">
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import { candidatesFor, type Rung } from '$lib/core/selector/index.ts';
	import { outlining } from '$lib/state/hits.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import type { Hits } from './answers.ts';

	interface Props {
		page: PageState;
		path: ElementPath;
		reach: (selectors: readonly string[]) => Promise<Hits>;
	}

	let { page, path, reach }: Props = $props();

	const RUNGS: Readonly<Record<Rung, string>> = {
		kind: 'every one of this kind',
		page: 'this page only',
		class: 'what carries this class',
		section: 'this section only',
		this: 'this one'
	};

	const element = $derived(elementAt(page.page, path));
	const candidates = $derived(element ? candidatesFor(element) : []);
	let hits = $state.raw<Hits>({ here: [], elsewhere: new Map() });
	$effect(() => {
		let current = true;
		void reach(candidates.map(({ selector }) => selector)).then((found) => {
			if (current) hits = found;
		});
		return () => (current = false);
	});

	const rows = $derived(
		candidates.map((one, i) => ({
			...one,
			heading: candidates[i - 1]?.rung === one.rung ? '' : RUNGS[one.rung],
			here: hits.here[i],
			pages: [...hits.elsewhere].flatMap(([name, counts]) => (counts[i] ? [`${name} ${counts[i]}`] : []))
		}))
	);
	const others = $derived(hits.elsewhere.size);

	let said = $state('a click copies a selector');
	async function copy(selector: string): Promise<void> {
		said = await navigator.clipboard.writeText(selector).then(
			() => `${selector} is on the clipboard`,
			() => 'this browser does not let the clipboard be written to'
		);
	}
</script>

{#if element}
	<p role="status">
		<b>{nameOfElement(element)}</b>
		<span>{said}</span>
	</p>
	<table>
		<thead>
			<tr>
				<th scope="col">selector, by how far it reaches</th>
				<th scope="col">here</th>
				<th scope="col">{others === 1 ? '1 other page' : `${others} other pages`}</th>
				<th scope="col" title="ids, classes, types">specificity</th>
			</tr>
		</thead>
		<tbody>
			{#each rows as { selector, heading, here, pages, specificity, fragile } (selector)}
				{#if heading}<tr class="rung"><th scope="rowgroup" colspan="4">{heading}</th></tr>{/if}
				<tr>
					<td>
						<button
							type="button"
							onclick={() => copy(selector)}
							onmouseenter={() => outlining.show(selector)}
							onmouseleave={() => outlining.show('')}
							onfocus={() => outlining.show(selector)}
							onblur={() => outlining.show('')}>{selector}</button
						>
						{#if fragile}<span class="fragile">‸ {fragile}</span>{/if}
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
{:else}
	<p>The page has no such element any more.</p>
{/if}

<style>
	b {
		font: 600 13px/1.4 var(--mono);
	}

	p span,
	.fragile {
		color: var(--ink-2);
	}

	.fragile {
		display: block;
		font-size: 13px;
	}

	table {
		width: 100%;
		margin-top: 6px;
		border-collapse: collapse;
		font-size: 13px;
	}

	th,
	td {
		height: 26px;
		padding: 2px 12px 2px 0;
		text-align: left;
		vertical-align: baseline;
	}

	th {
		color: var(--ink-2);
		font-weight: 400;
		white-space: nowrap;
	}

	.rung th {
		padding-top: 8px;
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
		min-height: 24px;
		padding: 0;
		border: 0;
		background: none;
		color: var(--ink);
		font: 13px/1.4 var(--mono);
		text-align: left;
		overflow-wrap: anywhere;
		cursor: pointer;
	}

	button:hover {
		text-decoration: underline;
	}
</style>
