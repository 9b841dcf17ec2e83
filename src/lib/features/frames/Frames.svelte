<script lang="ts">
	import { untrack } from 'svelte';
	import { getSite } from '$lib/session/context.ts';
	import { figure as px } from '$lib/core/box/index.ts';
	import { printInterval } from '$lib/core/interval/index.ts';
	import { bandAt } from '$lib/core/media/index.ts';
	import CropMarks from '$lib/ui/CropMarks.svelte';
	import PlaceList from '$lib/ui/measure/PlaceList.svelte';
	import Menu from '$lib/ui/Menu.svelte';
	import PxField from '$lib/ui/PxField.svelte';
	import { textScale } from '$lib/ui/textScale.ts';
	import TornEdges from './TornEdges.svelte';
	import type { FramesView } from './view.svelte.ts';

	interface Props {
		view: FramesView;
		/** Words about a frame of some width, in full and in short, in place of its size and band. */
		said?: ((width: number) => { readonly whole: string; readonly short: string }) | undefined;
	}

	let { view, said }: Props = $props();
	const { framing, workbench } = untrack(() => view);
	const { viewing, vantages } = getSite();
	const { page } = $derived(workbench);
	const { frames } = $derived(framing);

	/** The width of a drawn frame beside which the full words fit, px. */
	const WORDS = 440 * textScale;

	interface Tool {
		readonly sign: string;
		readonly words: string;
		/** Keys for this, with the focus on the frame's name or tools. */
		readonly keys: readonly string[];
		readonly act: (name: string) => void;
	}

	const TOOLS: readonly Tool[] = [
		{ sign: '−', words: 'Smaller', keys: ['-', '−'], act: (name) => framing.resize(name, -1) },
		{ sign: '+', words: 'Larger', keys: ['+', '='], act: (name) => framing.resize(name, 1) },
		{ sign: '‹', words: 'Earlier in the row', keys: ['ArrowLeft'], act: (name) => vantages.move(name, -1) },
		{ sign: '›', words: 'Later in the row', keys: ['ArrowRight'], act: (name) => vantages.move(name, 1) }
	];

	let chorus = $state<Record<string, HTMLButtonElement>>({});

	/** Focuses the first frame beside the lead, or the next one where one has the focus. */
	export function focus(): void {
		const buttons = frames.flatMap(({ frame }) => chorus[frame] ?? []);
		const at = buttons.findIndex((one) => one === document.activeElement);
		buttons[(at + 1) % buttons.length]?.focus();
	}

	/** The frame that the last key was for: moving it takes the focus away. */
	let held: string | undefined;
	$effect(() => {
		void frames;
		if (held !== undefined && document.activeElement === document.body) chorus[held]?.focus();
	});

	/** Does what a key does to a frame. */
	function pressed(event: KeyboardEvent, frame: string, name: string): void {
		const tool = TOOLS.find(({ keys }) => keys.includes(event.key));
		if (!tool || event.ctrlKey || event.metaKey || event.altKey) return;
		event.preventDefault();
		// Some of these keys do something else elsewhere.
		event.stopPropagation();
		held = frame;
		tool.act(name);
	}

	const KEY_NAMES: Readonly<Record<string, string>> = { ArrowLeft: '←', ArrowRight: '→' };

	/** The room for words under a frame: up to the next one in its row, px. */
	const wordsRoom = (left: number, top: number): number =>
		Math.min(
			...frames.filter((one) => one.top === top && one.left > left).map((one) => one.left),
			framing.extent.width
		) -
		left -
		8;
	const percent = (scale: number): string => `${Math.round(scale * 100)} %`;
</script>

{#each frames as one (one.frame)}
	{@const { frame, left, top, scale, viewport, drawnWidth, drawnHeight, vantage, part } = one}
	{@const band = bandAt(page.bands(vantage).bands, viewport.width)}
	{@const others = page.differing(view.lead, vantage)}
	<CropMarks {left} {top} width={drawnWidth} height={drawnHeight} room={wordsRoom(left, top)}>
		{#if viewing.wide}
			<!-- The column under it says what it is. -->
		{:else if frame === 'lead'}
			<b>{view.leadName}</b>
			{#if said}
				{@const { whole, short } = said(viewport.width)}
				<span class="figures" title={whole}>{viewport.width} · {drawnWidth > WORDS ? whole : short}</span>
			{:else}
				<span class="figures size">
					{viewport.width} × <PxField
						value={Math.round(viewport.height * 100) / 100}
						label="Height of the window, px"
						title="Height of the window, px: type it, or drag it at the right"
						onvalue={(height) => framing.setHeight(height)}
					/>
				</span>
				<span class="figures">
					{percent(scale)}{part ? ', cut' : ''} · {printInterval(band.interval)}
				</span>
			{/if}
		{:else}
			<button
				type="button"
				bind:this={chorus[frame]}
				onclick={() => viewing.choose(vantages.named(vantage.name) ?? null)}
				onkeydown={(event) => pressed(event, frame, vantage.name)}
				title="Make the lead {vantage.name}, the carriage at {px(viewport.width)} px"
			>
				<b>{vantage.name}</b> <span class="figures">{px(viewport.width)}</span>
			</button>
			{#if said}<span class="figures" title={said(viewport.width).whole}>{said(viewport.width).short}</span>
			{:else}<span class="figures band">{printInterval(band.interval)}</span>{/if}
			{#if others.length > 0}
				<span class="other">
					<Menu label="≠ {others.length}" up points>
						<p>Conditions that apply at other widths in {vantage.name} than on the Measure:</p>
						<PlaceList
							stated={others}
							placeOf={view.placeOf}
							onplace={({ file, span }) => view.toPlace({ path: file, offset: span.start })}
						/>
					</Menu>
				</span>
			{/if}
			<span class="tools" role="group" aria-label="Frame of {vantage.name}">
				{#each TOOLS as { sign, words, keys, act } (words)}
					<button
						type="button"
						title="{words}: {KEY_NAMES[keys[0] ?? ''] ?? keys[0]}, after Shift F"
						aria-label={words}
						onclick={() => act(vantage.name)}>{sign}</button
					>
				{/each}
			</span>
		{/if}
	</CropMarks>
	{#if one.pans}<TornEdges {framing} lead={one} />{/if}
{/each}

<style>
	/* As high as a button, so that names in a row are on one line. */
	b {
		font-weight: 700;
		line-height: 1.5rem;
	}

	.size {
		display: flex;
		align-items: center;
		margin-right: -0.25rem;
	}

	.band {
		flex: 0 1 auto;
		overflow: hidden;
		text-overflow: ellipsis;
	}

	.figures {
		color: var(--ink-2);
		font: 0.8125rem/1.2 var(--mono);
	}

	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		cursor: pointer;
	}

	button:hover b {
		color: var(--blue);
		text-decoration: underline;
	}

	/* At the foot of the frame, because the words need all its room. */
	.tools {
		position: absolute;
		bottom: 100%;
		left: 0;
		display: flex;
		background: var(--paper);
		opacity: 0;
	}

	.tools:is(:hover, :focus-within),
	:global(.words:hover) .tools {
		opacity: 1;
	}

	.tools button {
		width: 1.5rem;
		font: 0.9375rem/1 var(--mono);
	}

	.tools button:hover {
		background: var(--pick);
	}

	.other {
		color: var(--ochre);
		font: 600 0.8125rem/1.2 var(--mono);
	}

	.other :global(summary) {
		list-style: none;
	}

	.other p {
		margin: 0;
		font: 0.8125rem/1.4 var(--text);
	}
</style>
