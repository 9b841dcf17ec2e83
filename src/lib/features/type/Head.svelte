<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { readRatio, type End } from '$lib/core/scale/index.ts';
	import type { Work } from './setting.svelte.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import NumberField from './NumberField.svelte';

	interface Props {
		setting: Typesetting;
		/** Begins with the text size of the selection. */
		onlength: () => void;
	}

	let { setting, onlength }: Props = $props();

	const WORKS: readonly { readonly work: Work; readonly name: string; readonly title: string }[] = [
		{ work: 'sizes', name: 'As it is', title: 'The sizes of this page as its sheets have them' },
		{ work: 'scale', name: 'A scale', title: 'All sizes from one ratio at each end' },
		{
			work: 'length',
			name: 'One length',
			title: 'The text size of what is selected, or another length of it'
		}
	];
	const { vantages } = getSite();
	const ENDS = ['narrow', 'wide'] as const;
	const { scale } = $derived(setting);
	const problemOf = (field: string): string | undefined =>
		setting.problems.find((one) => one.field === field)?.sentence;

	const put = (end: End, field: 'width' | 'ratio', value: number): void =>
		setting.put((of) => ({ ...of, [end]: { ...of[end], [field]: value } }));

	/** The vantages at which an end can be, and where it is now if at none of them, by their widths. */
	function standing(end: End): (readonly [width: number, name: string])[] {
		const named = vantages.list.map(
			({ fields }) => [fields.width, `${fields.name} ${fields.width}`] as const
		);
		const { width } = scale[end];
		const own = named.some(([at]) => at === width) ? [] : [[width, `${width} px`] as const];
		return [...new Map([...own, ...named])].sort(([a], [b]) => a - b);
	}
	/** What is wrong with the position of the ends, or with body size there. */
	const wrong = $derived(
		setting.problems.flatMap(({ field, sentence }) => (/\.(width|body)$/.test(field) ? [sentence] : []))
	);

	const places = (value: number): string => String(Number(value.toFixed(3)));
</script>

<div class="head">
	<div class="works" role="radiogroup" aria-label="What is worked on">
		{#each WORKS as { work, name, title } (work)}
			<label {title}>
				<input
					type="radio"
					name="work"
					checked={setting.work === work}
					onchange={() => (work === 'length' ? onlength() : setting.choose(work))}
				/>{name}
			</label>
		{/each}
	</div>
	{#if setting.work === 'scale'}
		<p class="ends">
			between
			{#each ENDS as end (end)}
				{#if end === 'wide'}and{/if}
				<select
					aria-label="Vantage of the {end} end"
					value={scale[end].width}
					aria-invalid={problemOf(`${end}.width`) !== undefined}
					title={problemOf(`${end}.width`) ?? 'Where this end stands'}
					onchange={(event) => put(end, 'width', Number(event.currentTarget.value))}
				>
					{#each standing(end) as [width, name] (width)}<option value={width}>{name}</option>{/each}
				</select>
			{/each}
		</p>
		<p class="ends">
			{#each ENDS as end (end)}
				{#if end === 'wide'}and{/if} ×
				<NumberField
					label="Ratio at the {end} end"
					value={places(scale[end].ratio)}
					words
					step={0.005}
					size={5}
					problem={problemOf(`${end}.ratio`)}
					onput={(text) => {
						const ratio = readRatio(text);
						if (ratio !== undefined) put(end, 'ratio', ratio);
					}}
				/>
			{/each}
			a step, from body to {setting.steps[0]?.role?.name ?? 'the largest'}
		</p>
		{#each wrong as sentence (sentence)}<p class="wrong">‸ {sentence}</p>{/each}
	{:else if setting.work === 'length' && setting.length}
		<p class="what">
			<code>{setting.length.property}</code> of <code>{setting.length.selector}</code>
			<span>{setting.lengthText}</span>
		</p>
	{:else}
		<p class="what">
			{setting.reading.now
				? `${setting.reading.now.texts.length} texts of this page; curves are computed from the sheets, dots are measured in the browser`
				: 'The sheets are being read …'}
		</p>
	{/if}
</div>

<style>
	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.25rem 1.5rem;
		padding: 0.375rem 1.25rem 0.25rem 1rem;
	}

	.works {
		display: flex;
		gap: 0.75rem;
	}

	label {
		display: flex;
		align-items: center;
		gap: 0.25rem;
		min-height: 1.5rem;
		font-weight: 600;
	}

	.works input {
		accent-color: var(--blue);
	}

	p {
		margin: 0;
	}

	.ends {
		display: flex;
		align-items: center;
		gap: 0.375rem;
		color: var(--ink-2);
	}

	.wrong {
		color: var(--rubric);
	}

	.what {
		color: var(--ink-2);
	}

	.what span,
	code {
		color: var(--ink);
		font: 0.8125rem/1.2 var(--mono);
	}
</style>
