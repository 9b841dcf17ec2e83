<script lang="ts">
	import { figure } from '$lib/core/box/index.ts';
	import { amountOf, shiftOf } from '$lib/core/findings/settings.ts';
	import { nameAt } from '$lib/core/html/index.ts';
	import { printIntervalSet, type Interval } from '$lib/core/interval/index.ts';
	import { storeWidths } from '$lib/core/interval/store.ts';
	import { amountOn, blameFor, remedyFor, type Blame } from '$lib/inquiry/blame.ts';
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
	import { deskAsRead } from '$lib/session/desk.ts';
	import Trouble from '$lib/ui/Trouble.svelte';
	import { tooWideFor, type Content, type TooWide, type WidthRemedy } from './tooWide.ts';

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

	/**
	 * The declarations to blame, each with a remedy besides removing it; and what is too wide whatever is declared.
	 */
	type Blamed = Blame & { readonly remedy: Awaited<ReturnType<typeof remedyFor>> };
	interface Explained {
		readonly blamed: readonly Blamed[];
		/** Undefined where there is none; null while it is being tried. */
		readonly wide: TooWide | undefined | null;
	}
	const isAbout = $derived(row.paths.length > 0 && row.kind.name !== 'row');
	const answer = later({
		question: () => (isAbout ? row : undefined),
		about: ({ key }) => key,
		// While every width is measured, rows are recreated again and again.
		again: ({ key, worst, widths }) => `${key} ${worst} ${printIntervalSet(widths)}`,
		ask: async (asked, signal, report: (sofar: Explained) => void): Promise<Explained> => {
			const of = { ...swept, layout: swept.stages, as: sweeping.as, settings: site.kept.finding.list };
			const amount = await amountOn(of, asked, signal);
			const found = await blameFor(of, asked, amount, signal);
			const all: Blamed[] = [];
			for (const one of found) all.push({ ...one, remedy: await remedyFor(of, asked, amount, one, signal) });
			const [first] = found;
			if (first && !signal.aborted)
				onplace({ path: first.from.file, offset: first.from.span.start, aside: true });
			if (all.some((one) => one.left <= 0)) return { blamed: all, wide: undefined };
			report({ blamed: all, wide: null });
			return { blamed: all, wide: await tooWideFor(of, asked, amount, () => deskAsRead(site), signal) };
		}
	});
	const blamed = $derived(answer.value?.blamed ?? null);
	const wide = $derived(answer.value?.wide);
	const shift = $derived(shiftOf(row.key, site.kept.finding.list) ?? 0);
	const unit = $derived(row.kind.limit?.unit ?? 'px');

	async function widen(remedy: WidthRemedy): Promise<void> {
		const { proposal } = await onpropose();
		proposal.propose(remedy.write);
	}

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

	const WIDE: Readonly<Record<Content, string>> = {
		table: 'is a table that is too wide by itself',
		code: 'is code with lines that are too long by themselves',
		words: 'has a word that is too long by itself'
	};

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
		{:else if blamed?.length === 0 && wide === undefined}
			<p class="quiet">No single declaration causes it: with any one removed, it stays at {row.worst}.</p>
		{/if}
		{#each blamed ?? [] as blame, i (i)}
			{@const { from, remedy, left, of } = blame}
			{@const place = { path: from.file, offset: from.span.start }}
			<p>
				<span>Without</span>
				<code>{from.property}: {from.written}</code>
				<PlaceButton onclick={() => onplace(place)}
					>{placeName(page, { file: from.file, span: from.span })}</PlaceButton
				>
				<span>
					on {nameAt(page.page, blame.path, 'something')}
					{#if left > 0}
						{figure(of - left)} of {figure(amountOf(row.key, of - shift))} {unit} are gone at {row.worst}.
					{:else}
						it is not there at {row.worst}.
					{/if}
				</span>
				<Button look="quiet" onclick={() => void takeOut(blame)}>Remove it</Button>
				{#if remedy}
					<Button look="quiet" onclick={() => void mend(blame)}
						>Or add {remedy.property}: {remedy.value}, which mends it</Button
					>
				{/if}
			</p>
		{/each}
		{#if wide === null}
			<p class="quiet" role="status">Finding out whether its content is too wide by itself …</p>
		{:else if wide}
			<p>
				<code>{wide.name}</code>
				<span
					>{WIDE[wide.content]}: {figure(wide.needs)} px wide at least, whatever is declared for it.
					{wide.remedies.length === 0
						? 'Nothing that was tried mends that.'
						: 'What mends it, tried at this width:'}</span
				>
			</p>
			<ol>
				{#each wide.remedies as remedy (remedy.title)}
					<li>
						<Button look="quiet" onclick={() => void widen(remedy)}>{remedy.title}</Button>
						{#if remedy.cost !== ''}<span class="quiet">{remedy.cost}</span>{/if}
					</li>
				{/each}
			</ol>
		{/if}
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

	ol {
		margin: 0;
		padding-left: 1.25rem;
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
