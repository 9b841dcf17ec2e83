<script lang="ts">
	import { counted } from '$lib/core/text/index.ts';
	import { getSite } from '$lib/session/context.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { sumOf, type Others, type RulePlace } from '$lib/writing/choosing.ts';
	import { keyOf, ownFiles, type Choice } from '$lib/writing/targets.ts';
	import type { PendingValue } from './extent.ts';
	import type { Hand } from './hand.svelte.ts';

	interface Props {
		page: PageState;
		hand: Hand;
		held: PendingValue;
	}

	let { page, hand, held }: Props = $props();
	const site = getSite();

	const choice = $derived(held.choices[held.into]);
	const target = $derived(choice?.target);

	const shortFile = (file: string): string => file.replace(/^.*\//, '');
	const called = ({ target: to, exists }: Choice): string =>
		to.kind === 'style'
			? 'the style attribute'
			: `${exists ? '' : 'new: '}${to.selector.replace(/\s+/g, ' ')} in ${shortFile(to.file)}`;

	/** What a choice matches besides the selection; undefined while that is unknown. */
	const othersOf = (one: Choice): Others | undefined =>
		one.target.kind === 'style' ? NO_OTHERS : hand.choosing.known.get(keyOf(one));
	const NO_OTHERS: Others = { here: 0, elsewhere: 0, pages: 0 };
	const others = $derived(choice && othersOf(choice));

	function otherWords({ here, elsewhere, pages }: Others): string {
		const where = [
			...(here > 0 ? [`${here} here`] : []),
			...(elsewhere > 0 ? [`${elsewhere} on ${counted(pages, 'other page')}`] : [])
		];
		return `also matches ${where.join(', ')}`;
	}
	/** The existing rule that matches the fewest others, where the choice matches none: it is one click away. */
	const wider = $derived.by(() => {
		if (!others || sumOf(others) > 0) return undefined;
		const all = held.choices.flatMap((one, at) => {
			const known = one.exists && one.specificity?.some((part) => part > 0) ? othersOf(one) : undefined;
			return known && sumOf(known) > 0 ? [{ at, name: called(one), known }] : [];
		});
		return all.toSorted((a, b) => sumOf(a.known) - sumOf(b.known))[0];
	});

	const PLACES: readonly (readonly [RulePlace, string])[] = [
		['beside', 'after the rules that match it'],
		['caret', 'after the rule at the caret'],
		['end', 'at the end']
	];
	const files = $derived(ownFiles(page, { isGiven: (file) => site.given.has(file) }));
</script>

<label>
	Into
	<select value={held.into} onchange={(event) => hand.put({ into: Number(event.currentTarget.value) })}>
		{#each held.choices as one, i (i)}<option value={i}>{called(one)}</option>{/each}
	</select>
</label>
{#if choice && !choice.exists && target?.kind === 'rule'}
	{@const { file } = target}
	<label>
		file
		<select value={file} onchange={(event) => hand.placeNew(event.currentTarget.value, held.place)}>
			{#each files as one (one)}<option value={one}>{shortFile(one)}</option>{/each}
		</select>
	</label>
	<label>
		place
		<select
			value={held.place}
			onchange={(event) => hand.placeNew(file, event.currentTarget.value as RulePlace)}
		>
			{#each PLACES as [of, name] (of)}<option value={of}>{name}</option>{/each}
		</select>
	</label>
{/if}
{#if !others}
	<span>counting what else it matches…</span>
{:else if sumOf(others) > 0}
	<strong>{otherWords(others)}</strong>
{:else}
	<span>matches nothing else</span>
{/if}
{#if wider}
	{@const { at, name, known } = wider}
	<span class="wider">
		or <button type="button" onclick={() => hand.put({ into: at })}>{name}</button>
		<strong>{otherWords(known)}</strong>
	</span>
{/if}

<style>
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

	strong {
		color: var(--ochre);
		font-weight: 400;
	}

	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		text-decoration: underline;
		text-align: left;
		cursor: pointer;
	}
</style>
