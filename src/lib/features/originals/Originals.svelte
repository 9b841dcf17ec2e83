<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { messageOf, type Result } from '$lib/core/text/index.ts';
	import type { ElementBox } from '$lib/core/box/index.ts';
	import { initialAlignment, type Alignment, type Original } from '$lib/core/original/index.ts';
	import { api } from '$lib/session/api.ts';
	import type { Mode } from '$lib/session/originals.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import NotKept from '$lib/ui/NotKept.svelte';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: string;
		/** The Original for the lead's width, shown or not. */
		current: Original | undefined;
		/** The box of the selection, relative to the page of the lead. */
		box: ElementBox | undefined;
		onalign: (alignment: Alignment) => void;
	}

	let { page, current, box, onalign }: Props = $props();
	const site = getSite();
	const { carriage, originals } = site;

	const MODES: readonly (readonly [Mode, string])[] = [
		['off', 'off'],
		['under', 'under the page'],
		['over', 'over it'],
		['wipe', 'wiped']
	];
	const FIELDS = [
		['x', 'from the left, px', 1],
		['y', 'from the top, px', 1],
		['scale', 'scale', 0.001]
	] as const;

	const kept = $derived(site.kept.original);
	const mine = $derived(kept.list.filter((one) => one.page === page).sort((a, b) => a.at - b.at));
	let failure = $state<string | null>(null);
	let over = $state(false);

	async function add(files: FileList | null | undefined): Promise<void> {
		failure = null;
		for (const file of files ?? []) {
			try {
				const { hash, width, height } = await api.keepOriginal(site.id, file);
				const at = carriage.width;
				const lies = initialAlignment(width, at);
				const added: Original = { name: file.name, hash, width, height, page, at, ...lies };
				// One page has one Original at a width.
				await kept.keep(
					(list) => [...list.filter((one) => one.page !== page || one.at !== at), added],
					`${file.name} laid on ${page} at ${at}`
				);
				if (originals.mode === 'off') originals.set('over');
			} catch (error) {
				failure = messageOf(error);
			}
		}
	}

	const drop = (one: Original): Promise<Result> =>
		kept.keep((list) => list.filter((other) => other !== one), `${one.name} removed`);
</script>

<!-- svelte-ignore a11y_no_static_element_interactions (a file can be chosen by the button too) -->
<div
	class="drop"
	class:over
	ondragover={(event) => {
		event.preventDefault();
		over = true;
	}}
	ondragleave={() => (over = false)}
	ondrop={(event) => {
		event.preventDefault();
		over = false;
		void add(event.dataTransfer?.files);
	}}
>
	<label>
		A picture of how this page should look at {carriage.width} px: drop it here or
		<input
			type="file"
			accept="image/png,image/jpeg,image/webp,image/gif,image/avif"
			onchange={(event) => add(event.currentTarget.files)}
		/>
	</label>
</div>
{#if failure}<p class="failure" role="alert">{failure}</p>{/if}

<ul>
	{#each mine as one, i (i)}
		<li class:here={one === current}>
			<button type="button" onclick={() => (carriage.width = one.at)} title="The carriage to {one.at} px">
				<b>{one.at}</b>
				{one.name}
			</button>
			<Button look="quiet" onclick={() => drop(one)}>Remove</Button>
		</li>
	{/each}
</ul>

{#if current}
	<fieldset>
		<legend>Shown</legend>
		{#each MODES as [mode, words] (mode)}
			<label
				><input
					type="radio"
					name="original"
					checked={originals.mode === mode}
					onchange={() => originals.set(mode)}
				/>
				{words}</label
			>
		{/each}
		<label>
			{originals.mode === 'wipe' ? 'line at' : 'strength'}
			<input
				type="range"
				min="0"
				max="1"
				step="0.01"
				value={originals.strength}
				oninput={(event) => originals.set(originals.mode, Number(event.currentTarget.value))}
			/>
		</label>
	</fieldset>
	<div class="row">
		<Button onclick={() => originals.begin('points')}>Line up by two points</Button>
		<Button
			disabled={!box}
			onclick={() => box && originals.begin('element', box)}
			title={box ? '' : 'Select an element first'}
		>
			Line up with the selection
		</Button>
	</div>
	<div class="row">
		{#each FIELDS as [key, words, step] (key)}
			<label>
				<input
					class="figure"
					type="number"
					{step}
					value={Math.round(current[key] * 1000) / 1000}
					onchange={(event) => onalign({ ...current, [key]: event.currentTarget.valueAsNumber })}
				/>
				{words}
			</label>
		{/each}
	</div>
{:else if mine.length > 0}
	<p class="hint">There is none at {carriage.width} px; the widths above have one.</p>
{/if}
<div class="row">
	<Button onclick={() => originals.begin('measure')}>Measure between points</Button>
	{#if originals.task}<Button look="quiet" onclick={() => originals.end()}>Done</Button>{/if}
</div>
<p class="wants" role="status">{originals.wants ?? ''}</p>
<NotKept list={kept} />
{#if originals.trouble !== ''}
	<Trouble sentence={originals.trouble} />
	<Button look="quiet" onclick={() => originals.load(kept.list)}>Try again</Button>
{/if}

<style>
	.drop {
		padding: 0.5rem 0.625rem;
		border: 1px dashed var(--ink-2);
	}

	.drop.over {
		background: var(--pick);
	}

	.row,
	fieldset,
	label,
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.375rem 1rem;
		align-items: center;
		min-height: 1.75rem;
	}

	label {
		gap: 0.375rem;
	}

	fieldset {
		margin: 0.25rem 0;
		padding: 0;
		border: 0;
	}

	legend {
		float: left;
		padding: 0 0.25rem 0 0;
		color: var(--ink-2);
	}

	.row {
		margin: 0.25rem 0;
	}

	.figure {
		width: 10ch;
		height: 1.625rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
		font: 0.8125rem/1 var(--mono);
	}

	li button {
		flex: 1;
		min-height: 1.5rem;
		overflow: hidden;
		border: 0;
		background: none;
		text-align: left;
		text-overflow: ellipsis;
		white-space: nowrap;
		cursor: pointer;
	}

	li b {
		font: 0.8125rem/1 var(--mono);
	}

	.here b {
		font-weight: 700;
	}

	.hint {
		color: var(--ink-2);
	}

	.failure {
		color: var(--rubric);
	}

	.wants {
		min-height: 1.25rem;
		color: var(--ochre);
	}
</style>
