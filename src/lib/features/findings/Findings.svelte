<script lang="ts">
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { isEmpty, type Interval } from '$lib/core/interval/index.ts';
	import { groupFindings, ORDERS } from '$lib/inquiry/findings.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import { findingsReport } from './report.ts';
	import type { Sweeping, Swept } from './sweeping.svelte.ts';
	import { hangs } from '$lib/core/sweep/index.ts';
	import { download } from '$lib/ui/download.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import Menu from '$lib/ui/Menu.svelte';
	import { roving } from '$lib/ui/roving.ts';
	import NotKept from '$lib/ui/NotKept.svelte';
	import AcceptedFindings from './AcceptedFindings.svelte';
	import FindingButton from './FindingButton.svelte';
	import FindingKinds from './FindingKinds.svelte';
	import FindingLine from './FindingLine.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		sweeping: Sweeping;
		/** What is to be swept; null while there are no frames. */
		swept: Swept | null;
		onselect: (paths: readonly ElementPath[]) => void;
		onplace: (place: FilePlace) => void;
		onpropose: () => Promise<{ readonly proposal: Proposal }>;
		/** Closes a gap in which neither half of a breakpoint holds. */
		onjoin: (stretch: Interval) => void;
	}

	let { site, page, sweeping, swept, onselect, onplace, onpropose, onjoin }: Props = $props();

	const left = $derived(sweeping.rows.filter(({ widths }) => !isEmpty(widths)));
	const groups = $derived(groupFindings(left, sweeping.order));

	/** Properties of each line of the list. */
	const parts = $derived({ site, page, sweeping, swept, onselect, onplace, onpropose, onjoin });

	/** Groups that are open, by their keys. */
	let open = $state.raw<ReadonlySet<string>>(new Set());
	function toggle(key: string): void {
		open = open.has(key) ? new Set([...open].filter((one) => one !== key)) : new Set([...open, key]);
	}

	const { measured, of, unseen } = $derived(sweeping.coverage);
	const seen = $derived(
		sweeping.phase === 'done' && measured === of
			? `All ${of} widths measured.`
			: `${measured} of ${of} widths measured${measured === 0 ? '' : `; ${sweeping.phase === 'quick' ? 'the exact ends are still being looked for' : `each end is exact to the px, nothing new in the last ${sweeping.sinceNew}`}`}${sweeping.left === '' ? '' : `; ${sweeping.left} left`}.`
	);
	/** Downloads the findings, and those that are accepted, as a file. */
	function exportJson(): void {
		const at = new Date().toISOString();
		const { as, coverage, rows } = sweeping;
		const report = findingsReport(page.path, as, sweeping.stretch, coverage, rows, at);
		download(`findings ${page.path}.json`, JSON.stringify(report, null, '\t'), 'application/json');
	}
</script>

<div class="head">
	<p role="status">
		<b
			>{left.length === 0
				? measured === 0
					? 'Nothing measured yet.'
					: sweeping.phase === 'done' && sweeping.given.length === 0
						? 'Nothing found.'
						: 'Nothing found so far.'
				: `${left.length} found.`}</b
		>
		<span>{seen}</span>
	</p>
	<div class="acts">
		{#if sweeping.phase !== 'done'}
			<Button look="quiet" onclick={() => (sweeping.paused = !sweeping.paused)}
				>{sweeping.paused ? 'Measure every width' : 'Measure only a few widths'}</Button
			>
			<Button look="quiet" onclick={() => (sweeping.stopped = !sweeping.stopped)}
				>{sweeping.stopped ? 'Go on' : 'Stop'}</Button
			>
		{/if}
		<label>
			as
			<select
				value={sweeping.vantage ?? ''}
				onchange={(event) => (sweeping.vantage = event.currentTarget.value || null)}
			>
				<option value="">the lead</option>
				{#each site.vantages.list as { id, fields } (id)}<option>{fields.name}</option>{/each}
			</select>
		</label>
		<label>
			by
			<select bind:value={sweeping.order}>
				{#each ORDERS as order (order)}<option>{order}</option>{/each}
			</select>
		</label>
		<Button look="quiet" disabled={measured === 0} onclick={exportJson}>Export JSON</Button>
		<Menu label="Kinds"><FindingKinds {site} {sweeping} /></Menu>
	</div>
</div>
{#if measured > 0 && unseen > 0}
	<details>
		<summary>What is narrower than {unseen + 1} px may be missing</summary>
		<p>
			Something can begin and end, or stop and go on, within widths that are not measured yet:
			{sweeping.unmeasured.map(({ from, to }) => (from === to ? String(from) : `${from}–${to}`)).join(', ')}.
		</p>
	</details>
{/if}
{#each sweeping.given as width (width)}<p class="trouble" role="alert">{hangs(width)}</p>{/each}
<NotKept list={site.kept.accepted} />
{#if sweeping.trouble !== ''}<p class="trouble" role="alert">{sweeping.trouble}</p>{/if}
<ul {@attach roving('li > button', 'column')}>
	{#each groups as group (group.key)}
		{#if group.rows.length === 1 && group.rows[0]}
			<FindingLine {...parts} row={group.rows[0]} />
		{:else if group.rows[0]}
			{@const [first] = group.rows}
			<li>
				<FindingButton
					severity={first.kind.severity}
					widths={group.widths}
					isOpen={open.has(group.key)}
					onclick={() => toggle(group.key)}
					><b>{group.rows.length} × {first.names.join(' and ')}</b>: {first.kind.title}</FindingButton
				>
			</li>
			{#if open.has(group.key)}
				{#each group.rows as row (row.key)}<FindingLine {...parts} {row} inner />{/each}
			{/if}
		{/if}
	{/each}
</ul>
<AcceptedFindings {site} {page} rows={sweeping.rows} />

<style>
	details {
		color: var(--ink-2);
		font-size: 0.8125rem;
	}

	details p {
		max-height: 6rem;
		overflow: auto;
	}

	summary {
		cursor: pointer;
	}

	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.875rem;
		align-items: baseline;
		justify-content: space-between;
		font-size: 0.8125rem;
	}

	.head span {
		color: var(--ink-2);
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}

	select {
		min-height: 1.5rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
	}

	.trouble {
		color: var(--rubric);
	}

	ul {
		margin: 0.375rem 0 0;
		padding: 0;
		list-style: none;
	}

	li {
		border-bottom: 1px solid var(--hair);
	}
</style>
