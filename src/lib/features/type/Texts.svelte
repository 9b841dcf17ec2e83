<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { lineChanges, lineWords } from '$lib/core/type/index.ts';
	import { linesOfText } from './typeReading.svelte.ts';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import { curveInWords, within } from '$lib/core/length/index.ts';
	import { through } from '$lib/core/scale/index.ts';
	import { ratioWords, type TextStyle } from '$lib/inquiry/textStyles.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import Button from '$lib/ui/Button.svelte';
	import PlaceButton from '$lib/ui/PlaceButton.svelte';
	import { printSize } from './drawing.ts';
	import { SHOWN } from './shown.ts';

	interface Props {
		setting: Typesetting;
		chosen: string;
		onchoose: (id: string) => void;
		onselect: (path: ElementPath) => void;
		onlength: (path: ElementPath) => void;
		/** Turns a stepped size into one line through its steps. */
		onthrough: (style: TextStyle) => void;
		onplace: (place: FilePlace) => void;
		placeOf: (file: string, offset: number) => string;
	}

	let { setting, chosen, onchoose, onselect, onlength, onthrough, onplace, placeOf }: Props = $props();
	const { carriage } = getSite();

	const { now, styles } = $derived(setting.reading);
	const asked = $derived((setting.reading.now?.texts ?? []).filter(({ size }) => !size.curve));
	const steps = (style: TextStyle) => through(style.curve, SHOWN);
</script>

{#if now && styles.length === 0 && asked.length === 0}
	<p class="empty">No text on this page. Add some, or choose another page.</p>
{/if}
<ul>
	{#each styles as style (style.id)}
		{@const [first] = style.texts}
		<li class:chosen={style.id === chosen}>
			<button
				type="button"
				class="style"
				aria-pressed={style.id === chosen}
				onclick={() => onchoose(style.id)}
			>
				<b>{style.name}</b> <span>{style.texts.length} {style.texts.length === 1 ? 'text' : 'texts'}</span>
			</button>
			{#if style.id === chosen && first && now}
				{@const ratio = ratioWords(now, first.path, SHOWN)}
				{@const line = steps(style)}
				<p>{curveInWords(within(style.curve, SHOWN))}</p>
				{#if ratio}<p><b>{ratio}</b></p>{/if}
				{@const key = first.path.join('.')}
				{@const broken = setting.reading.laid.get(carriage.width)?.broken.get(key)}
				{@const all = [...setting.reading.laid.values()].flatMap(
					({ broken: of }) => of.get(key)?.characters ?? []
				)}
				{#if broken}
					<p>
						{broken.characters} characters a line, {broken.lines}
						{broken.lines === 1 ? 'line' : 'lines'} at {carriage.width}{broken.orphan
							? ', one word alone on the last'
							: ''}{Math.min(...all) < Math.max(...all)
							? `; ${Math.min(...all)} to ${Math.max(...all)} characters over all`
							: ''}
					</p>
				{/if}
				{@const lines = lineWords(lineChanges(linesOfText(setting.reading.laid, first.path)))}
				{#if lines !== ''}<p>lines: {lines}</p>{/if}
				{#each first.size.sources.filter(({ from, up }) => from && up === 0) as { from, value }, i (i)}
					{#if from}
						<p class="source">
							<code>{value}</code>
							<PlaceButton onclick={() => onplace({ path: from.file, offset: from.span.start })}
								>{placeOf(from.file, from.span.start)}</PlaceButton
							>
						</p>
					{/if}
				{/each}
				<p class="acts">
					<Button look="quiet" onclick={() => onlength(first.path)}>Set this size from three numbers</Button>
					{#if line}
						<Button look="quiet" onclick={() => onthrough(style)}>One line through its steps</Button>
						<span
							>departs by {line.departs
								.map(
									({ by, width }) => `${by > 0 ? '+' : '−'}${printSize(Math.abs(by))} at ${Math.round(width)}`
								)
								.join(', ')}</span
						>
					{/if}
				</p>
				<p class="acts">
					{#each style.texts.slice(0, 6) as text (text.path.join('.'))}
						<Button look="quiet" onclick={() => onselect(text.path)} title={text.words}>{text.name}</Button>
					{/each}
				</p>
			{/if}
		</li>
	{/each}
	{#if asked.length > 0}
		<li class="asked">
			Only the browser knows the size of {asked.length}: {asked[0]?.name} ({asked[0]?.size.why})
		</li>
	{/if}
</ul>

<style>
	.empty {
		color: var(--ink-2);
	}

	ul {
		display: grid;
		margin: 0;
		padding: 0;
		list-style: none;
	}

	li {
		padding: 0.0625rem 0.25rem;
		border-bottom: 1px solid var(--hair);
	}

	li.chosen {
		background: var(--tint);
	}

	.style {
		display: flex;
		gap: 0.5rem;
		width: 100%;
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		text-align: left;
		cursor: pointer;
	}

	.style b {
		overflow: hidden;
		font: 600 0.8125rem/1.5 var(--mono);
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	.style span,
	.acts span,
	.asked {
		color: var(--ink-2);
	}

	.style span {
		margin-left: auto;
		white-space: nowrap;
	}

	p {
		margin: 0 0 0.125rem;
	}

	.source,
	.acts {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 0.5rem;
	}

	code {
		font: 0.8125rem/1.3 var(--mono);
	}
</style>
