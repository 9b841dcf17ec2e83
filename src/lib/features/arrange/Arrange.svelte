<script lang="ts">
	import { untrack } from 'svelte';
	import { compare, rationalFromDecimal, type Rational } from '$lib/core/interval/index.ts';
	import type { Edits } from './edits.svelte.ts';
	import { deskAsRead } from '$lib/session/desk.ts';
	import type { Proposed } from '$lib/writing/proposed.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import {
		carry,
		comment,
		join,
		nameValue,
		part,
		splitBand,
		valueBack,
		valueHere
	} from '$lib/writing/arrange.ts';
	import type { Chosen } from '$lib/writing/within.ts';
	import type { Desk } from '$lib/writing/declaration.ts';
	import Button from '$lib/ui/Button.svelte';
	import EditCard from './EditCard.svelte';

	interface Props {
		edits: Edits;
		site: SiteState;
		/** The selection in the sheet. */
		chosen: Chosen;
		/** The breakpoints of the page, in order, and the position of the carriage, CSS px. */
		breakpoints: readonly Rational[];
		width: number;
		/** The pages that use any of some files. */
		pagesOf: (files: readonly string[]) => readonly string[];
		onplace: (place: FilePlace) => void;
	}

	let { edits, site, chosen, breakpoints, width, pagesOf, onplace }: Props = $props();

	const id = $props.id();
	const others = $derived(
		[...site.texts.values()]
			.filter(({ path, kind }) => kind === 'sheet' && path !== chosen.file && !site.given.has(path))
			.map(({ path }) => path)
	);
	/** Files that no page uses without the one that is shown: its definitions apply there too. */
	const beside = $derived.by(() => {
		const pages = new Set(pagesOf([chosen.file]));
		return [...site.texts.keys()].filter((path) => {
			const own = pagesOf([path]);
			return own.length > 0 && own.every((one) => pages.has(one));
		});
	});
	const here = $derived(valueHere(deskAsRead(site), chosen));

	let split = $state(untrack(() => String(width)));
	/** The width to split at, and the ends of its band; undefined where it is invalid, or an end. */
	const parted = $derived.by(() => {
		const at = rationalFromDecimal(split.trim().replace(/px$/i, ''));
		if (!at || at.n <= 0n || breakpoints.some((one) => compare(one, at) === 0)) return undefined;
		const lo = breakpoints.findLast((one) => compare(one, at) < 0) ?? null;
		const hi = breakpoints.find((one) => compare(one, at) > 0) ?? null;
		return { at, band: { lo, hi } };
	});

	let words = $state('');
	let target = $derived(others[0] ?? '');
	let layer = $state('');
	let name = $state('--');

	const { refusal } = $derived(edits.proposal);

	function act(make: (desk: Desk) => Proposed): void {
		edits.proposal.propose(make);
		if (!edits.proposal.refusal) edits.arranged = null;
	}

	/** What Enter does in a field. */
	const onEnter = (act: () => void) => (event: SubmitEvent) => {
		event.preventDefault();
		act();
	};
</script>

<EditCard name="Arrange the rules at the caret" ondrop={() => edits.drop()}>
	<h2>Arrange</h2>
	<p>What is selected in {chosen.file}, or the rule at the caret. All is shown before it is written.</p>
	<div class="acts">
		<Button onclick={() => act((desk) => part(desk, chosen))}>Split its block here</Button>
		<Button onclick={() => act((desk) => join(desk, chosen))}>Merge matching blocks</Button>
	</div>
	<form
		onsubmit={onEnter(
			() => parted && act((desk) => splitBand(desk, [...site.texts.keys()], parted.band, parted.at))
		)}
	>
		<label for="{id}-split">Split the band at, px</label>
		<input id="{id}-split" bind:value={split} inputmode="decimal" maxlength="12" autocomplete="off" />
		<Button type="submit" disabled={!parted}>In all rules</Button>
	</form>
	<form onsubmit={onEnter(() => act((desk) => comment(desk, chosen, words)))}>
		<label for="{id}-words">Comment over it</label>
		<input id="{id}-words" bind:value={words} maxlength="2000" />
		<Button type="submit" disabled={words.trim() === ''}>Write</Button>
	</form>
	<form onsubmit={onEnter(() => act((desk) => carry(desk, chosen, { file: target })))}>
		<label for="{id}-file">To the end of</label>
		<select id="{id}-file" bind:value={target} disabled={others.length === 0}>
			{#each others as path (path)}<option>{path}</option>{/each}
		</select>
		<Button type="submit" disabled={others.length === 0}>Move</Button>
	</form>
	<form onsubmit={onEnter(() => act((desk) => carry(desk, chosen, { layer })))}>
		<label for="{id}-layer">Into the layer</label>
		<input id="{id}-layer" bind:value={layer} maxlength="200" />
		<Button type="submit" disabled={layer.trim() === ''}>Move</Button>
	</form>
	{#if here?.name}
		{@const asked = here.name}
		<div class="row">
			<span>Custom property</span>
			<code>{asked}</code>
			<Button onclick={() => act((desk) => valueBack(desk, asked, [...site.texts.keys()]))}>
				Back to its value
			</Button>
		</div>
	{:else if here}
		{@const { value } = here}
		<form onsubmit={onEnter(() => act((desk) => nameValue(desk, chosen, value, name.trim(), beside)))}>
			<label for="{id}-name"><code>{value}</code> everywhere as</label>
			<input id="{id}-name" bind:value={name} maxlength="200" />
			<Button type="submit" disabled={name.trim().length < 3}>Name it</Button>
		</form>
	{/if}
	{#if refusal}
		<p class="refusal" role="alert">
			‸ {refusal.sentence}
			{#if refusal.place}
				{@const { place } = refusal}
				<button type="button" onclick={() => onplace(place)}>Show it</button>
			{/if}
		</p>
	{/if}
</EditCard>

<style>
	h2,
	p,
	.acts,
	form,
	.row {
		margin: 0 0 0.5rem;
	}

	h2 {
		font-size: 1rem;
	}

	p {
		color: var(--ink-2);
	}

	.acts {
		display: flex;
		gap: 0.5rem;
	}

	form,
	.row {
		display: grid;
		grid-template-columns: 9.5rem minmax(0, 1fr) minmax(6rem, auto);
		gap: 0.5rem;
		align-items: center;
	}

	label,
	span {
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	input,
	select {
		min-width: 0;
		min-height: 2.125rem;
		padding: 0 0.375rem;
		border: 1px solid var(--hair);
		background: var(--paper);
		color: inherit;
		font: 0.8125rem/1.3 var(--mono);
	}

	code {
		font: 600 0.8125rem/1.3 var(--mono);
	}

	.refusal {
		color: var(--rubric);
	}

	.refusal button {
		border: 0;
		background: none;
		color: inherit;
		text-decoration: underline;
		cursor: pointer;
	}
</style>
