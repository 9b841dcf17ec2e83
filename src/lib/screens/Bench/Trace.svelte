<script lang="ts">
	import {
		lossSentence,
		variableSteps,
		type Candidate,
		type Outcome,
		type VariableStep
	} from '$lib/core/cascade/index.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import { inside, printInterval, printIntervalSet, toNumber } from '$lib/core/interval/index.ts';
	import type { Piece } from '$lib/core/css/index.ts';
	import type { Band, Bands } from '$lib/core/media/index.ts';
	import { lineStarts, placeAt } from '$lib/core/text/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import type { PageState } from '$lib/state/page.svelte.ts';
	import type { FilePlace } from '$lib/state/texts.svelte.ts';
	import type { Trace } from '$lib/state/trace.ts';

	interface Props {
		page: PageState;
		path: ElementPath;
		lead: SeenVantage;
		bands: Bands;
		/** Asks the lead's frame; null where there are no frames. */
		trace: (path: ElementPath) => Promise<Trace | null>;
		onplace: (place: FilePlace) => void;
		/** Takes a declaration out of force in all frames. */
		onmute: (path: string, piece: Piece) => void;
		onselect: (paths: readonly ElementPath[]) => void;
	}

	let { page, path, lead, bands, trace, onplace, onmute, onselect }: Props = $props();

	/** Rows that a typed word may bring. */
	const MOST = 60;

	let found = $state.raw<Trace | null>(null);
	let words = $state('');
	let open = $state('');
	$effect(() => {
		// What the answer depends on, besides what is asked.
		void page.conditions;
		let current = true;
		void trace(path).then((answer) => {
			if (current) found = answer;
		});
		return () => (current = false);
	});

	const element = $derived(elementAt(page.page, path));
	const listed = $derived.by(() => {
		if (!found) return [];
		const word = words.trim().toLowerCase();
		if (word === '') return found.properties;
		const all = new Set([...found.properties, ...found.longhands]);
		const hit = [...all].filter((name) => name.includes(word));
		const set = new Set(found.properties);
		const rank = (name: string): number => (name.startsWith(word) ? 2 : 0) + (set.has(name) ? 1 : 0);
		return hit.sort((a, b) => rank(b) - rank(a)).slice(0, MOST);
	});

	function lineOf({ file, span }: Candidate): number {
		return placeAt(lineStarts(page.sources.text(file) ?? ''), span.start).line;
	}
	const placeOf = (one: Candidate): string => `${one.file.replace(/^.*\//, '')}:${lineOf(one)}`;
	const show = (one: Candidate): void => onplace({ path: one.file, offset: one.span.start });
	const called = (up: number): string => {
		const around = found && elementAt(page.page, found.ancestor(up));
		return around ? nameOfElement(around) : 'what is around it';
	};

	/** The declaration that a value comes from, be it of the element or of one around it. */
	const decider = (outcome: Outcome): Candidate | undefined =>
		outcome.kind === 'inherited' ? outcome.from.winner : outcome.own.winner;

	function source(outcome: Outcome): string {
		switch (outcome.kind) {
			case 'own':
				return '';
			case 'initial':
				return 'the initial value, by its own word';
			case 'inherited':
				return `inherited from ${called(outcome.up)}`;
			case 'browser':
				return outcome.up > 0
					? `inherited from ${called(outcome.up)}, where the browser’s own sheet has it`
					: 'the browser’s own sheet, or the initial value';
		}
	}

	const gone = $derived(found?.computed('display') === 'none');

	interface Stretch {
		readonly from: Band;
		readonly to: Band;
		readonly outcome: Outcome;
	}

	/** What decides a property, band by band; neighbours with the same answer together. */
	function overBands(property: string): Stretch[] {
		const stretches: Stretch[] = [];
		for (const band of bands.bands) {
			const outcome = found?.at(property, toNumber(inside(band.interval)));
			if (!outcome) continue;
			const before = stretches.at(-1);
			const same =
				before &&
				before.outcome.kind === outcome.kind &&
				decider(before.outcome)?.span.start === decider(outcome)?.span.start &&
				decider(before.outcome)?.file === decider(outcome)?.file;
			if (before && same) stretches[stretches.length - 1] = { ...before, to: band };
			else stretches.push({ from: band, to: band, outcome });
		}
		return stretches;
	}

	const widthsOfStretch = ({ from, to }: Stretch): string =>
		printInterval({
			lo: from.interval.lo,
			loClosed: from.interval.loClosed,
			hi: to.interval.hi,
			hiClosed: to.interval.hiClosed
		});

	const conditionWidths = (text: string): string =>
		printIntervalSet(page.widthsOf(page.sources.queries(text), lead));

	/** What the custom properties of the deciding value come to here. */
	function steps(outcome: Outcome): VariableStep[] {
		const by = decider(outcome);
		const up = outcome.kind === 'inherited' ? outcome.up : 0;
		return by ? variableSteps(by.written, up, (name, from) => found?.at(name, lead.width, from)) : [];
	}

	const STEPS: Readonly<Record<VariableStep['kind'], string>> = {
		given: '',
		fallback: 'nothing gives it; its fallback counts',
		missing: 'nothing gives it: the declaration is invalid at computed-value time, and counts as unset',
		cycle: 'it needs itself: a cycle counts as not given'
	};

	/** Mutes a declaration; the focus goes to its row, since the button may go. */
	function mute({ property, written, file, span }: Candidate, button: HTMLElement): void {
		button.closest('li')?.querySelector<HTMLElement>('.name')?.focus();
		onmute(file, { span, words: `${property}: ${written}` });
	}

	/** A value of something around the element that the element's own keeps out. */
	function keptOut(property: string): { up: number; by: Candidate } | undefined {
		if (!found) return undefined;
		const outcome = found.at(property, lead.width);
		const around = outcome?.kind === 'own' ? found.around(property, lead.width) : undefined;
		return around && { up: around.up, by: around.winner };
	}
</script>

{#snippet at(one: Candidate)}
	<button type="button" class="place" onclick={() => show(one)} title="Go to {one.file}, line {lineOf(one)}"
		>{placeOf(one)}</button
	>
{/snippet}

{#if element}
	<div class="head">
		<p role="status"><b>{nameOfElement(element)}</b> <span>at {lead.width} px</span></p>
		<label>
			Property
			<input type="search" bind:value={words} placeholder="any" spellcheck="false" autocomplete="off" />
		</label>
	</div>
	<ul>
		{#each listed as property (property)}
			{@const outcome = found?.at(property, lead.width)}
			{@const winner = outcome && decider(outcome)}
			{@const idle = found?.noEffect(property)}
			{#if outcome}
				<li class:open={open === property}>
					<div class="row">
						<button
							type="button"
							class="name"
							aria-expanded={open === property}
							onclick={() => (open = open === property ? '' : property)}
						>
							<span class="property">
								{#if idle}<span class="dele" title="It does nothing here">₰</span>{/if}{property}
							</span>
							<span class="value"
								>{winner ? winner.value || winner.written : (found?.computed(property) ?? '')}</span
							>
						</button>
						{#if winner}{@render at(winner)}{:else}<span class="from">browser</span>{/if}
					</div>
					{#if open === property}
						{@const kept = keptOut(property)}
						<div class="why">
							<p>
								{#if winner}
									<code>{winner.property}: {winner.written}{winner.important ? ' !important' : ''}</code>
									{winner.hit ? `of ${winner.hit.selector}` : 'of the style attribute'}{source(outcome)
										? `, ${source(outcome)}`
										: ''}
									<button
										type="button"
										class="place"
										title="Out of force in all frames, until it is brought back (masthead)"
										onclick={({ currentTarget }) => mute(winner, currentTarget)}>mute it</button
									>
								{:else}{source(outcome)}{/if}
								{#if found?.computed(property)}<span class="computed"
										>computed: {found.computed(property)}</span
									>{/if}
							</p>
							{#if idle}
								<p class="kept">₰ It does nothing here. {idle.reason}</p>
								<p>What would: {idle.instead} <span class="computed">{idle.standard}</span></p>
							{/if}
							{#each steps(outcome) as step, i (i)}
								<p class="step" style:padding-left="{step.depth * 14}px">
									<code>{step.name}{step.text === '' ? '' : `: ${step.text}`}</code>
									{#if step.by}{@render at(step.by)}{/if}
									{STEPS[step.kind]}
								</p>
							{/each}
							{#if outcome.kind === 'inherited'}
								<p>
									<button
										type="button"
										class="place"
										onclick={() => found && onselect([found.ancestor(outcome.up)])}
									>
										select {called(outcome.up)}
									</button>
								</p>
							{/if}
							{#if kept}
								<p class="kept">
									{called(kept.up)} around it has <code>{kept.by.property}: {kept.by.written}</code> at {@render at(
										kept.by
									)}; it does not reach this element, which has its own.
								</p>
							{/if}
							{#if bands.bands.length > 1}
								<dl>
									{#each overBands(property) as stretch (stretch.from.letter)}
										{@const decides = decider(stretch.outcome)}
										<dt>{widthsOfStretch(stretch)}</dt>
										<dd>
											{#if decides}<code>{decides.value || decides.written}</code> {@render at(decides)}{/if}
											{source(stretch.outcome)}
										</dd>
									{/each}
								</dl>
							{/if}
							{#if outcome.own.losers.length > 0}
								<ol>
									{#each outcome.own.losers as { candidate, why }, i (i)}
										<li>
											<p>
												<s
													>{candidate.property}: {candidate.written}{candidate.important
														? ' !important'
														: ''}</s
												>
												{@render at(candidate)}
											</p>
											<p class="reason">
												{lossSentence(candidate, why, placeOf, conditionWidths)}
												{#if why.kind === 'state' && gone}
													It is display: none here, and what is not shown cannot be pointed at.
												{/if}
											</p>
										</li>
									{/each}
								</ol>
							{/if}
						</div>
					{/if}
				</li>
			{/if}
		{/each}
	</ul>
	{#if found && listed.length === 0}
		<p class="hint">
			{words.trim() === ''
				? 'No declaration of the page’s own sets anything on it. Type a property to see where its value comes from.'
				: 'This browser has no such property.'}
		</p>
	{/if}
{:else}
	<p class="hint">The page has no such element any more.</p>
{/if}

<style>
	.head {
		display: flex;
		gap: 16px;
		align-items: baseline;
		justify-content: space-between;
		margin-bottom: 6px;
	}

	.head p {
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	.head span,
	.hint,
	.from,
	.reason,
	.computed {
		color: var(--ink-2);
	}

	label {
		display: flex;
		flex: none;
		gap: 8px;
		align-items: baseline;
		color: var(--ink-2);
	}

	input {
		width: 150px;
		min-height: 26px;
		padding: 0 4px;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
		color: var(--ink);
		font: 13px/1.2 var(--mono);
	}

	b,
	code,
	s {
		font: 13px/1.4 var(--mono);
	}

	b {
		font-weight: 600;
	}

	ul,
	ol {
		list-style: none;
	}

	ul > li {
		border-top: 1px solid var(--hair);
	}

	.row {
		display: flex;
		align-items: baseline;
		justify-content: space-between;
		gap: 12px;
	}

	.name {
		display: flex;
		flex: 1;
		gap: 12px;
		min-width: 0;
		min-height: 26px;
		padding: 3px 0;
		border: 0;
		background: none;
		color: var(--ink);
		font: 13px/1.4 var(--mono);
		text-align: left;
		cursor: pointer;
	}

	.name:hover {
		background: var(--tint);
	}

	.property {
		flex: 0 0 21ch;
		color: var(--blue);
		overflow-wrap: anywhere;
	}

	.dele {
		margin-right: 4px;
		color: var(--rubric);
	}

	.value {
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	.open .value {
		white-space: normal;
	}

	.place {
		min-height: 24px;
		padding: 0 2px;
		border: 0;
		background: none;
		color: var(--ink-2);
		font: 13px/1.4 var(--mono);
		text-decoration: underline;
		text-underline-offset: 3px;
		white-space: nowrap;
		cursor: pointer;
	}

	.place:hover {
		color: var(--ink);
	}

	.why {
		display: grid;
		gap: 8px;
		margin: 2px 0 12px;
		padding-left: 12px;
		border-left: 2px solid var(--ink);
	}

	.computed {
		display: block;
		overflow-wrap: anywhere;
	}

	.kept {
		color: var(--rubric);
	}

	dl {
		display: grid;
		grid-template-columns: max-content 1fr;
		gap: 0 16px;
		align-items: baseline;
	}

	dt {
		font: 13px/1.4 var(--mono);
	}

	ol {
		display: grid;
		gap: 6px;
	}

	s {
		color: var(--ink-2);
	}
</style>
