<script lang="ts">
	import { decider, type Candidate } from '$lib/core/cascade/index.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import type { MutablePart } from '$lib/core/css/index.ts';
	import type { Bands } from '$lib/core/media/index.ts';
	import type { SeenVantage } from '$lib/core/vantage/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { Trace } from '$lib/inquiry/trace.ts';
	import { roving } from '$lib/ui/roving.ts';
	import TraceHead from './TraceHead.svelte';
	import TracePlace from './TracePlace.svelte';
	import TraceWhy from './TraceWhy.svelte';
	import { traceWords, type TraceQuestion as Question } from './traceWords.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		path: ElementPath;
		lead: SeenVantage;
		bands: Bands;
		/** Asks the lead's frame; null where there are no frames. */
		trace: (path: ElementPath, pseudo?: string) => Promise<Trace | null>;
		onplace: (place: FilePlace) => void;
		/** Mutes a declaration in all frames. */
		onmute: (path: string, piece: MutablePart) => void;
		onselect: (paths: readonly ElementPath[]) => void;
	}

	let { page, path, lead, bands, trace, onplace, onmute, onselect }: Props = $props();

	/** The largest number of rows for a search word. */
	const MOST = 60;

	let words = $state('');
	let open = $state('');
	/** The pseudo-element in question; '' for the element itself. */
	let chosen = $state('');
	/** The pseudo-elements of the last element. */
	let pseudos = $state.raw<readonly string[]>([]);
	const pseudo = $derived(pseudos.includes(chosen) ? chosen : '');
	const answer = later<Question, Trace | null>({
		question: () => ({ path, pseudo, of: page.conditions }),
		about: (asked) => `${asked.path.join()} ${asked.pseudo}`,
		ask: async (asked, signal, report) => {
			let next = await trace(asked.path, asked.pseudo);
			if (signal.aborted) return next;
			pseudos = next?.pseudos ?? [];
			while (next?.refined && !signal.aborted) {
				report(next);
				next = await next.refined(bands, signal);
			}
			return next;
		}
	});
	const found = $derived(answer.value ?? null);

	const element = $derived(elementAt(page.page, path));
	const called = $derived(found && traceWords(page, found));
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
	/** Shorthands in the element's own declarations, with the longhands that they set. */
	const shorthands = $derived(
		[...(found?.shorthands ?? [])].filter(([name]) => name.includes(words.trim().toLowerCase()))
	);
	const winnerOf = (property: string): Candidate | undefined => found?.at(property, lead.width)?.own.winner;
	/** The longhands of a shorthand that hold, and those that something else decides. */
	function standing(
		shorthand: string,
		longhands: readonly string[]
	): { by: Candidate | undefined; others: string[] } {
		const own = longhands.map((one) => [one, winnerOf(one)] as const);
		const by = own.find(([, winner]) => winner?.property === shorthand)?.[1];
		return {
			by,
			others: own.flatMap(([one, winner]) => (winner && winner.property !== shorthand ? [one] : []))
		};
	}

	const show = (one: Candidate): void => onplace({ path: one.file, offset: one.span.start });

	/** Mutes a declaration; the focus moves to its row, since the button may disappear. */
	function mute({ property, written, file, span }: Candidate, button: HTMLElement): void {
		button.closest('li')?.querySelector<HTMLElement>('.name')?.focus();
		onmute(file, { span, words: `${property}: ${written}` });
	}
</script>

<Trouble sentence={answer.error} />
{#snippet at(one: Candidate)}
	{#if called}
		<TracePlace
			name={called.placeOf(one)}
			title="Go to {one.file}, line {called.lineOf(one)}"
			onclick={() => show(one)}
		/>
	{/if}
{/snippet}

{#if element}
	<TraceHead name="{nameOfElement(element)}{pseudo}" width={lead.width} {pseudos} bind:chosen bind:words />
	<ul {@attach roving('.row > button.name', 'column')}>
		{#each shorthands as [name, longhands] (name)}
			{@const { by, others } = standing(name, longhands)}
			<li class="shorthand">
				<div class="row">
					<p class="name">
						<span class="property">{name}</span>
						<span class="value"
							>{by ? by.written : 'all of its longhands are overridden'}
							<i
								>sets {longhands.length} longhands{others.length > 0
									? `; ${others.slice(0, 4).join(', ')}${others.length > 4 ? '…' : ''} set elsewhere`
									: ''}</i
							></span
						>
					</p>
					{#if by}{@render at(by)}{/if}
				</div>
			</li>
		{/each}
		{#each listed as property (property)}
			{@const outcome = found?.at(property, lead.width)}
			{@const winner = outcome && decider(outcome)}
			{@const idle = found?.noEffect(property)}
			{#if found && outcome}
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
							<span class="value">{winner ? winner.value || winner.written : found.computed(property)}</span>
						</button>
						{#if winner}{@render at(winner)}{:else}<span class="from">browser</span>{/if}
					</div>
					{#if open === property}
						<TraceWhy
							{page}
							{lead}
							{bands}
							trace={found}
							{property}
							{outcome}
							onshow={show}
							onmute={mute}
							{onselect}
						/>
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
	<p class="hint">This element is no longer on the page.</p>
{/if}

<style>
	.hint,
	.from,
	i {
		color: var(--ink-2);
	}

	i {
		font: 0.8125rem/1.4 var(--text);
	}

	ul > li {
		border-top: 1px solid var(--hair);
	}

	.row {
		display: flex;
		align-items: baseline;
		justify-content: space-between;
		gap: 0.75rem;
	}

	.name {
		display: flex;
		flex: 1;
		gap: 0.75rem;
		min-width: 0;
		min-height: 1.625rem;
		padding: 3px 0;
		border: 0;
		background: none;
		color: var(--ink);
		font: 0.8125rem/1.4 var(--mono);
		text-align: left;
	}

	button.name {
		cursor: pointer;
	}

	button.name:hover {
		background: var(--tint);
	}

	.property {
		flex: 0 0 21ch;
		color: var(--blue);
		overflow-wrap: anywhere;
	}

	.shorthand .property {
		font-weight: 700;
	}

	.dele {
		margin-right: 0.25rem;
		color: var(--rubric);
	}

	.value {
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	:is(.open, .shorthand) .value {
		white-space: normal;
	}
</style>
