<script lang="ts">
	import { figure } from '$lib/core/box/index.ts';
	import { amountOf } from '$lib/core/findings/settings.ts';
	import { nameAt } from '$lib/core/html/index.ts';
	import { printIntervalSet, type Interval } from '$lib/core/interval/index.ts';
	import { storeWidths } from '$lib/core/interval/store.ts';
	import { blameFor, remedyFor, type Blame } from '$lib/inquiry/blame.ts';
	import type { FindingRow } from '$lib/inquiry/findings.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Proposal } from '$lib/session/proposal.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { Sweeping, Swept } from './sweeping.svelte.ts';
	import { chain, done, type FilePlace } from '$lib/core/text/index.ts';
	import { setBeside, takeOutAll } from '$lib/writing/declaration.ts';
	import Button from '$lib/ui/Button.svelte';
	import PlaceButton from '$lib/ui/PlaceButton.svelte';
	import BetweenDetail from './BetweenDetail.svelte';
	import Edges from './Edges.svelte';
	import { placeName } from '$lib/features/frames/placeName.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		sweeping: Sweeping;
		swept: Swept;
		row: FindingRow;
		onplace: (place: FilePlace) => void;
		onpropose: () => Promise<{ readonly proposal: Proposal }>;
		onjoin: (stretch: Interval) => void;
	}

	let { site, page, sweeping, swept, row, onplace, onpropose, onjoin }: Props = $props();

	/** What is to blame, each with what would mend it beside it; null while that is tried. */
	type Blamed = Blame & { readonly remedy: Awaited<ReturnType<typeof remedyFor>> };
	const isAbout = $derived(row.paths.length > 0 && row.kind.name !== 'row');
	const answer = later({
		question: () => (isAbout ? row : undefined),
		about: ({ key }) => key,
		// While every width is measured a row is made anew again and again.
		again: ({ key, worst, widths }) => `${key} ${worst} ${printIntervalSet(widths)}`,
		ask: async (asked, signal) => {
			const of = { ...swept, layout: swept.stages, as: sweeping.as, settings: site.kept.finding.list };
			const found = await blameFor(of, asked, signal);
			const all: Blamed[] = [];
			for (const one of found) all.push({ ...one, remedy: await remedyFor(of, asked, one, signal) });
			const [first] = found;
			if (first && !signal.aborted)
				onplace({ path: first.from.file, offset: first.from.span.start, aside: true });
			return all;
		}
	});
	const blamed = $derived<readonly Blamed[] | null>(answer.value ?? null);

	async function takeOut({ from }: Blame): Promise<void> {
		const { proposal } = await onpropose();
		proposal.propose((desk) =>
			chain(takeOutAll(desk, [from]), () =>
				done({ summary: `${from.property}: ${from.written} goes.`, notes: [] })
			)
		);
	}
	async function mend({ from, remedy }: Blamed): Promise<void> {
		const { proposal } = await onpropose();
		if (!remedy) return;
		const { property, value } = remedy;
		const summary = `${property}: ${value} beside ${from.property}: ${from.written}.`;
		proposal.propose((desk) => chain(setBeside(desk, from, remedy), () => done({ summary, notes: [] })));
	}

	let reason = $state('');
	function accept(event: SubmitEvent): void {
		event.preventDefault();
		const { key, names, widths } = row;
		const one = {
			page: page.path,
			key,
			names: [...names],
			widths: storeWidths(widths),
			reason: reason.trim()
		};
		if (one.reason !== '') void site.kept.accepted.keep((list) => [...list, one], 'a finding accepted');
	}
</script>

<Trouble sentence={answer.error} />
<div class="detail">
	{#if isAbout}
		{#if blamed === null && answer.error === ''}
			<p class="quiet" role="status">Removing declarations one at a time to find the cause …</p>
		{:else if blamed?.length === 0}
			<p class="quiet">No single declaration causes it: with any one removed, it stays at {row.worst}.</p>
		{/if}
		{#each blamed ?? [] as blame, i (i)}
			{@const { from, remedy, left } = blame}
			{@const place = { path: from.file, offset: from.span.start }}
			<p>
				<span>Without</span>
				<code>{from.property}: {from.written}</code>
				<PlaceButton onclick={() => onplace(place)}
					>{placeName(page, { file: from.file, span: from.span })}</PlaceButton
				>
				<span
					>on {nameAt(page.page, blame.path, 'something')} it is {left > 0
						? `only by ${figure(amountOf(row.key, left))} there`
						: 'not there'} at {row.worst}.</span
				>
				<Button look="quiet" onclick={() => void takeOut(blame)}>Remove it</Button>
				{#if remedy}
					<Button look="quiet" onclick={() => void mend(blame)}
						>Or add {remedy.property}: {remedy.value}, which mends it</Button
					>
				{/if}
			</p>
		{/each}
	{/if}
	{#if row.closes}
		<BetweenDetail {page} {swept} as={sweeping.as} closes={row.closes} {onplace} {onjoin} />
	{/if}
	<Edges edges={sweeping.edges} />
	<form onsubmit={accept}>
		<label
			>Intended at {printIntervalSet(row.widths)}, because
			<input bind:value={reason} maxlength="1000" placeholder="why" autocomplete="off" /></label
		>
		<Button look="quiet" type="submit" disabled={reason.trim() === ''}>Accept it</Button>
	</form>
</div>

<style>
	.detail {
		padding: 0 0.25rem 0.375rem 1.75rem;
		background: var(--pick);
		font-size: 0.8125rem;
	}

	p,
	form {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.5rem;
		align-items: center;
		min-height: 1.625rem;
	}

	.quiet {
		color: var(--ink-2);
	}

	code {
		font: 0.8125rem/1.4 var(--mono);
	}

	input {
		width: 12rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
	}
</style>
