<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { intervals, type Interval } from '$lib/core/interval/index.ts';
	import { wholePixels } from '$lib/core/media/index.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { FindingRow } from '$lib/inquiry/findings.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import FindingButton from './FindingButton.svelte';
	import FindingDetail from './FindingDetail.svelte';
	import type { Sweeping, Swept } from './sweeping.svelte.ts';

	interface Props {
		site: SiteState;
		page: PageState;
		sweeping: Sweeping;
		/** What is swept; null while there are no frames. */
		swept: Swept | null;
		row: FindingRow;
		onselect: (paths: readonly ElementPath[]) => void;
		onplace: (place: FilePlace) => void;
		onpropose: () => Promise<{ readonly proposal: Proposal }>;
		/** Closes a gap in which neither half of a breakpoint holds. */
		onjoin: (stretch: Interval) => void;
		/** Whether it is one of a group. */
		inner?: boolean;
	}

	let {
		site,
		page,
		sweeping,
		swept,
		row,
		onselect,
		onplace,
		onpropose,
		onjoin,
		inner = false
	}: Props = $props();
	const { carriage, selectionView } = getSite();

	const isCurrent = $derived(sweeping.chosen === row.key);

	/** The first whole px of a finding, or a width between px where it has no whole one. */
	function firstWidth({ widths, worst }: FindingRow): number {
		const [first] = intervals(widths);
		return (first && wholePixels(first, [0, Infinity])?.[0]) ?? worst;
	}

	/** Shows a finding where it begins: with the carriage there, and its elements selected and in sight. */
	function show(): void {
		sweeping.chosen = isCurrent ? '' : row.key;
		carriage.width = firstWidth(row);
		if (row.paths.length === 0) return;
		onselect(row.paths);
		selectionView.reveal = [...(row.paths[0] ?? [])];
	}
</script>

<li class:inner>
	<FindingButton
		severity={row.kind.severity}
		widths={row.widths}
		isExact={row.exact}
		{isCurrent}
		onclick={show}>{row.sentence}{row.kind.standard ? ` ${row.kind.standard}.` : ''}</FindingButton
	>
	{#if isCurrent && swept}
		{#key row.key}
			<FindingDetail {site} {page} {sweeping} {swept} {row} {onplace} {onpropose} {onjoin} />
		{/key}
	{/if}
</li>

<style>
	li {
		border-bottom: 1px solid var(--hair);
	}

	.inner {
		margin-left: 1.25rem;
	}
</style>
