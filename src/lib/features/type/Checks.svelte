<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { hierarchyNotes, lineChanges, lineWords, type TypeNote } from '$lib/core/type/index.ts';
	import { within } from '$lib/core/length/index.ts';
	import { zoomSentence, type Checked } from '$lib/inquiry/textStyles.ts';
	import { linesOfText } from './typeReading.svelte.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import PlaceButton from '$lib/ui/PlaceButton.svelte';
	import NumberField from './NumberField.svelte';
	import { SHOWN } from './shown.ts';

	interface Props {
		setting: Typesetting;
		checked: readonly Checked[];
		/** What is wrong with the root's own size; undefined for nothing. */
		root: TypeNote | undefined;
		onplace: (place: FilePlace) => void;
		onchoose: (id: string) => void;
	}

	let { setting, checked, root, onplace, onchoose }: Props = $props();
	const { carriage } = getSite();

	let least = $state(1.1);
	const levels = $derived(
		setting.reading
			.levels('now')
			.map(({ name, curve, path }) => ({ name, path, curve: within(curve, SHOWN) }))
	);
	const hierarchy = $derived(hierarchyNotes(levels, least));
	const faulty = $derived(checked.filter(({ zoom }) => zoom));
	const noted = $derived(checked.filter(({ notes }) => notes.length > 0));

	const source = $derived(
		setting.reading.now?.sizing.size(0).sources.findLast(({ from, up }) => from && up === 0)?.from
	);

	/** The lines of each level at the carriage, and the width at which it takes one more. */
	const broken = $derived(
		levels.flatMap(({ name, path }) => {
			const known = linesOfText(setting.reading.laid, path);
			const widths = [...known.keys()].sort((a, b) => a - b);
			const near = widths.findLast((width) => width <= carriage.width) ?? widths[0];
			const here =
				near === undefined ? undefined : setting.reading.laid.get(near)?.broken.get(path.join('.'));
			if (!here) return [];
			const changes = lineWords(lineChanges(known).slice(0, 4));
			const orphans = [...setting.reading.laid.values()].filter(
				(one) => one.broken.get(path.join('.'))?.orphan
			);
			return [{ name, here, changes, orphans: orphans.map(({ width }) => width).sort((a, b) => a - b) }];
		})
	);
</script>

<div class="checks">
	<section>
		<h2>Zoom to 200 %</h2>
		{#if faulty.length === 0}
			<p class="well">
				✓ every size reaches 200 % by zoom, at every width from 240 to 2,560 (WCAG 2.2, 1.4.4)
			</p>
		{/if}
		{#each faulty as { style, zoom } (style.id)}
			<p>
				<PlaceButton onclick={() => onchoose(style.id)}>{style.name}</PlaceButton>
				{zoom ? zoomSentence(zoom) : ''}
			</p>
		{/each}
	</section>
	<section>
		<h2>Hierarchy</h2>
		<p class="least">
			each level at least
			<NumberField
				label="Least ratio of a level to the next"
				value={String(least)}
				step={0.01}
				size={4}
				onput={(text) => Number(text) >= 1 && (least = Number(text))}
			/> times the next
		</p>
		{#each hierarchy as { sentence }, i (i)}<p>{sentence}</p>{/each}
		{#if hierarchy.length === 0 && levels.length > 1}
			<p class="well">✓ {levels.map(({ name }) => name).join(', ')}: so at every width</p>
		{/if}
	</section>
	<section>
		<h2>Lines, by the engine</h2>
		{#each broken as { name, here, changes, orphans } (name)}
			<p>
				<b>{name}</b>
				{here.characters} characters a line, {here.lines}
				{here.lines === 1 ? 'line' : 'lines'} here{changes === ''
					? ''
					: `; lines: ${changes}`}{orphans.length > 0
					? `; one word alone on its last line at ${orphans.slice(0, 4).join(', ')}`
					: ''}
			</p>
		{/each}
	</section>
	<section>
		<h2>The browser’s text size</h2>
		{#if root}
			<p>
				The root’s own size does not follow it, so that nothing in rem does:
				{#if source}
					<code>{source.value}</code>
					<PlaceButton onclick={() => onplace({ path: source.file, offset: source.span.start })}
						>{source.file.replace(/^.*\//, '')}</PlaceButton
					>
				{/if}
			</p>
		{:else}
			<p class="well">✓ the root follows it; what does not is among the notes</p>
		{/if}
	</section>
	<section>
		<h2>Notes</h2>
		{#each noted as { style, notes } (style.id)}
			<p>
				<PlaceButton onclick={() => onchoose(style.id)}>{style.name}</PlaceButton>
				{notes.map(({ sentence }) => sentence).join(' ')}
			</p>
		{/each}
		{#if noted.length === 0 && setting.reading.now}<p class="well">✓ nothing to note</p>{/if}
	</section>
</div>

<style>
	.checks {
		display: grid;
		gap: 0.75rem;
	}

	h2 {
		margin: 0 0 0.125rem;
		font: 600 0.9375rem/1.3 var(--display);
	}

	p {
		margin: 0 0 0.125rem;
	}

	.least {
		display: flex;
		align-items: center;
		gap: 0.375rem;
		color: var(--ink-2);
	}

	.well {
		color: var(--verdigris);
	}

	code {
		font: 0.8125rem/1.3 var(--mono);
	}
</style>
