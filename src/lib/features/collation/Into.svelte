<script lang="ts">
	import { untrack } from 'svelte';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { isEmpty, printInterval, printIntervalSet } from '$lib/core/interval/index.ts';
	import { elementsOf } from '$lib/core/selector/index.ts';
	import type { Collating } from './collating.svelte.ts';
	import { intervalOf, type Extent, type PendingValue } from './extent.ts';
	import type { Hand } from './hand.svelte.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { relyingOn } from '$lib/inquiry/relying.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import IntoChoice from './IntoChoice.svelte';
	import ChangedLines from '$lib/features/arrange/ChangedLines.svelte';
	import { placeName } from '$lib/features/frames/placeName.ts';
	import { later } from '$lib/session/later.svelte.ts';

	interface Props {
		page: PageState;
		collating: Collating;
		hand: Hand;
		held: PendingValue;
		onplace: (place: FilePlace) => void;
	}

	let { page, collating, hand, held, onplace }: Props = $props();

	const EXTENTS: readonly (readonly [Extent, string])[] = [
		['here', 'here only'],
		['up', 'from here up'],
		['down', 'from here down'],
		['everywhere', 'everywhere'],
		['from', 'from the width'],
		['under', 'under the width']
	];

	/** The element's own declaration that sets it so far. */
	const own = $derived(held.cell.outcome.kind === 'own' ? held.cell.outcome.own.winner : undefined);
	const choice = $derived(held.choices[held.into]);
	const target = $derived(choice?.target);
	const selector = $derived(target?.kind === 'rule' ? target.selector : '');
	const extents = $derived(
		target?.kind === 'style'
			? EXTENTS.filter(([of]) => of === 'everywhere')
			: collating.columns.length < 2
				? EXTENTS.slice(3)
				: EXTENTS
	);

	$effect(() => {
		if (selector === '') return;
		page.answers.outline(elementsOf(selector));
		return () => page.answers.outline('');
	});
	/** What was kept apart from the element by the space being written, before the edit. */
	const relying = later({
		question: () => {
			const { looked } = collating;
			const [path] = looked?.paths ?? [];
			return path && looked ? { property: held.property, path, stages: looked.stages } : undefined;
		},
		about: ({ property, path }) => `${property} ${path.join()}`,
		ask: ({ property, path, stages }) => {
			const spaces = (of: ElementPath) => stages.spaces('lead', of);
			return untrack(() => relyingOn({ page, spaces }, path, property));
		}
	});

	/** Takes a selector that is strong enough; the focus goes to the field. */
	function asStrong(): void {
		hand.asStrong();
		document.querySelector<HTMLInputElement>('input.field')?.focus();
	}

	const requested = $derived(intervalOf(held.extent, held.column, held.at));
	const words = $derived(requested ? printInterval(requested) : 'every width');
</script>

<div class="into">
	<p><IntoChoice {page} {hand} {held} /></p>
	<p>
		<label>
			over
			<select
				value={held.extent}
				onchange={(event) => hand.put({ extent: event.currentTarget.value as Extent })}
			>
				{#each extents as [of, name] (of)}<option value={of}>{name}</option>{/each}
			</select>
		</label>
		{#if held.extent === 'from' || held.extent === 'under'}
			<input
				class="at"
				value={held.at}
				inputmode="numeric"
				aria-label="Width from or under which it is to hold, px"
				oninput={(event) => {
					const at = Number(event.currentTarget.value);
					if (Number.isFinite(at) && at > 0) hand.put({ at });
				}}
			/>
		{/if}
		<span class="figures">{words}</span>
		{#if held.sides.length > 0}
			<label>
				sides
				<select value={held.property} onchange={(event) => hand.put({ property: event.currentTarget.value })}>
					{#each held.sides as one (one)}<option>{one}</option>{/each}
				</select>
			</label>
		{/if}
		{#if own}
			<button type="button" onclick={() => onplace({ path: own.file, offset: own.span.start })}
				>{placeName(page, own)}</button
			>
			<button type="button" title="Delete, in the cell" onclick={() => hand.takeOut([held.cell])}
				>remove it</button
			>
		{/if}
	</p>
	{#if relying.value?.length}<p class="relying">{relying.value.join('; ')}.</p>{/if}
	<p class="told" role="status">
		{#if hand.refusal}
			<em>{hand.refusal.sentence}</em>
			{#if hand.refusal.place}
				{@const at = hand.refusal.place}
				<button type="button" onclick={() => onplace(at)}>show</button>
			{/if}
		{:else if !hand.valid}
			<em>This browser does not accept this value for {held.property}.</em> Shift Enter writes it anyway.
		{:else if hand.stronger}
			{@const by = hand.stronger}
			<em>It would not hold: {placeName(page, by)} is stronger{by.hit ? ` (${by.hit.selector})` : ''}.</em>
			{#if by.hit}
				<button type="button" onclick={asStrong}
					>as strong: {by.hit.selector} ({by.hit.specificity.join(', ')}){by.important
						? ', !important'
						: ''}</button
				>
			{/if}
		{:else if !isEmpty(hand.reach)}
			changes {printIntervalSet(hand.reach)}
		{:else}
			<kbd>Enter</kbd> writes it, <kbd>Esc</kbd> discards it, <kbd>↑</kbd> <kbd>↓</kbd> change its number
		{/if}
	</p>
	<ChangedLines files={hand.lines} most={3.75} />
</div>

<style>
	.relying {
		color: var(--ochre);
	}

	.into {
		padding-bottom: 0.25rem;
		border-bottom: 1px solid var(--blue);
		background: var(--sheet);
		font-size: 0.8125rem;
	}

	p {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.75rem;
		align-items: center;
		min-height: 1.625rem;
	}

	label {
		display: flex;
		gap: 0.375rem;
		align-items: center;
		min-height: 1.5rem;
	}

	select {
		max-width: 16rem;
		font: 0.8125rem/1.2 var(--mono);
	}

	span {
		color: var(--ink-2);
	}

	.at {
		width: 4rem;
		min-height: 1.5rem;
		padding: 0 0.25rem;
		border: 1px solid var(--hair);
		background: var(--sheet);
		font: 0.8125rem/1.2 var(--mono);
	}

	.figures {
		color: var(--blue);
		font: 0.8125rem/1.4 var(--mono);
	}

	.told {
		color: var(--ink-2);
	}

	em {
		color: var(--rubric);
		font-style: normal;
	}

	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		text-decoration: underline;
		cursor: pointer;
	}

	kbd {
		font: 0.8125rem/1.4 var(--mono);
	}
</style>
