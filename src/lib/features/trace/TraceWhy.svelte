<script lang="ts">
	import {
		decider,
		lossSentence,
		variableSteps,
		type Candidate,
		type Outcome,
		type VariableStep
	} from '$lib/core/cascade/index.ts';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { printIntervalSet } from '$lib/core/interval/index.ts';
	import type { Bands } from '$lib/core/media/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { Trace } from '$lib/inquiry/trace.ts';
	import TracePlace from './TracePlace.svelte';
	import { stretchesOf, widthsOfStretch } from './stretches.ts';
	import { traceWords } from './traceWords.ts';

	interface Props {
		page: PageState;
		lead: SeenVantage;
		bands: Bands;
		trace: Trace;
		property: string;
		outcome: Outcome;
		onshow: (one: Candidate) => void;
		/** Mutes a declaration in all frames; `button` may disappear with it. */
		onmute: (one: Candidate, button: HTMLElement) => void;
		onselect: (paths: readonly ElementPath[]) => void;
	}

	let { page, lead, bands, trace, property, outcome, onshow, onmute, onselect }: Props = $props();

	const words = $derived(traceWords(page, trace));
	const winner = $derived(decider(outcome));
	const up = $derived(outcome.kind === 'inherited' ? outcome.up : 0);
	const idle = $derived(trace.noEffect(property));
	const moving = $derived(trace.moving(property));
	const gone = $derived(trace.computed('display') === 'none');

	/** What decides the property, band by band, with equal neighbours joined. */
	const stretches = $derived(stretchesOf(trace, property, bands));

	const conditionWidths = (text: string): string =>
		printIntervalSet(page.widthsOf(page.sources.queries(text), lead));

	/** Whether the state in a selector is one of the element itself, not of an ancestor. */
	const isAboutItself = ({ hit }: Candidate): boolean => /:[-\w]+[^\s>+~]*$/.test(hit?.selector ?? '');
	const containerWords = (text: string): string => {
		const container = trace.containerOf(text);
		return container ? `Its container: ${container}.` : 'Nothing around it is such a container.';
	};
	const asked = $derived(winner?.conditions.filter(({ kind }) => kind === 'container') ?? []);

	/** The results of the custom properties in the deciding value. */
	const steps = $derived(
		winner ? variableSteps(winner.written, up, (name, from) => trace.at(name, lead.width, from)) : []
	);
	/** The registered syntax, where there is one. */
	const syntax = $derived(trace.syntax(property));
	/** The value with custom properties substituted, where it has any. */
	const whole = $derived(
		winner && (steps.length > 0 || syntax)
			? trace.comesTo(winner.property, winner.written, lead.width, up)
			: null
	);
	const STEPS: Readonly<Record<VariableStep['kind'], string>> = {
		given: '',
		fallback: 'never set; its fallback is used',
		missing: 'never set: the declaration is invalid at computed-value time, and behaves as unset',
		cycle: 'it refers to itself: a cycle behaves as if it were not set'
	};
	/** What its relative lengths refer to; another element's value refers to that element's. */
	const shares = $derived(winner && up === 0 ? trace.shares(property, whole?.text ?? winner.value) : []);

	/** An inherited value that the element's own overrides. */
	const kept = $derived(outcome.kind === 'own' ? trace.around(property, lead.width) : undefined);
</script>

{#snippet at(one: Candidate)}
	<TracePlace
		name={words.placeOf(one)}
		title="Go to {one.file}, line {words.lineOf(one)}"
		onclick={() => onshow(one)}
	/>
{/snippet}

<div class="why">
	<p>
		{#if winner}
			<code>{winner.property}: {winner.written}{winner.important ? ' !important' : ''}</code>
			{words.owner(winner)}{words.source(outcome) ? `, ${words.source(outcome)}` : ''}
			{#if !winner.attribute}
				<TracePlace
					name="mute it"
					title="Muted in all frames until it is unmuted, here or at the top"
					onclick={({ currentTarget }) => onmute(winner, currentTarget)}
				/>
			{/if}
		{:else}{words.source(outcome)}{/if}
		{#if trace.computed(property)}<span class="computed">computed: {trace.computed(property)}</span>{/if}
	</p>
	{#each asked as { text }, i (i)}
		<p>@container {text} holds here. {containerWords(text)}</p>
	{/each}
	{#if moving}
		<p class="kept">
			{moving} is on top now: what is computed is what it makes of the property, whatever wins below.
		</p>
	{/if}
	{#if idle}
		<p class="kept">₰ It does nothing here. {idle.reason}</p>
		<p>What would: {idle.instead} <span class="computed">{idle.standard}</span></p>
	{/if}
	{#each steps as step, i (i)}
		<p class="step" style:padding-left="{step.depth * 14}px">
			<code>{step.name}{step.text === '' ? '' : `: ${step.text}`}</code>
			{#if step.by}{@render at(step.by)}{/if}
			{STEPS[step.kind]}
		</p>
	{/each}
	{#if whole && !whole.valid}
		<p class="kept">
			{steps.length > 0 ? 'With these filled in it reads' : 'It reads'} <code>{whole.text}</code>, which
			{#if syntax}does not fit <code>{syntax}</code>, for which {winner?.property} is registered{:else}this
				browser does not take for {winner?.property}{/if}: it is invalid at computed-value time, and counts as
			unset.
		</p>
	{/if}
	{#each shares as share, i (i)}<p class="share">{share}</p>{/each}
	{#if outcome.kind === 'inherited'}
		<p>
			<TracePlace
				name="select {words.called(outcome.up)}"
				onclick={() => onselect([trace.ancestor(outcome.up)])}
			/>
		</p>
	{/if}
	{#if kept}
		<p class="kept">
			{words.called(kept.up)} around it has <code>{kept.winner.property}: {kept.winner.written}</code> at {@render at(
				kept.winner
			)}; it does not reach this element, which has its own.
		</p>
	{/if}
	{#if bands.bands.length + trace.cuts.length > 1}
		<dl>
			{#each stretches as stretch, i (i)}
				{@const decides = decider(stretch.outcome)}
				<dt>{widthsOfStretch(stretch)}</dt>
				<dd>
					{#if decides}<code>{decides.value || decides.written}</code> {@render at(decides)}{/if}
					{words.source(stretch.outcome)}
				</dd>
			{/each}
		</dl>
	{/if}
	{#if outcome.own.losers.length > 0}
		<ol>
			{#each outcome.own.losers as { candidate, why }, i (i)}
				<li>
					<p>
						<s>{candidate.property}: {candidate.written}{candidate.important ? ' !important' : ''}</s>
						{@render at(candidate)}
					</p>
					<p class="reason">
						{lossSentence(candidate, why, words.placeOf, conditionWidths)}
						{#if why.kind === 'condition' && why.condition.kind === 'container'}
							{containerWords(why.condition.text)}
						{/if}
						{#if why.kind === 'state' && gone && isAboutItself(candidate)}
							It is display: none here, and what is not shown cannot be pointed at.
						{/if}
					</p>
				</li>
			{/each}
		</ol>
	{/if}
</div>

<style>
	.why {
		display: grid;
		gap: 0.5rem;
		margin: 2px 0 0.75rem;
		padding-left: 0.75rem;
		border-left: 2px solid var(--ink);
	}

	code,
	s,
	dt,
	.share {
		font: 0.8125rem/1.4 var(--mono);
	}

	.computed {
		display: block;
		overflow-wrap: anywhere;
	}

	.computed,
	.reason,
	.share,
	s {
		color: var(--ink-2);
	}

	.kept {
		color: var(--rubric);
	}

	dl {
		display: grid;
		grid-template-columns: max-content 1fr;
		gap: 0 1rem;
		align-items: baseline;
	}

	ol {
		display: grid;
		gap: 0.375rem;
	}
</style>
