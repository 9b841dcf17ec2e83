<script lang="ts">
	import { ratioName, RATIOS, readRatio, type End } from '$lib/core/scale/index.ts';
	import type { Work } from './setting.svelte.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import NumberField from './NumberField.svelte';

	interface Props {
		setting: Typesetting;
		/** Begins with the text size of what is selected. */
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
	const ENDS = ['narrow', 'wide'] as const;
	const { scale } = $derived(setting);
	const problemOf = (field: string): string | undefined =>
		setting.problems.find((one) => one.field === field)?.sentence;

	function put(end: End, field: 'width' | 'body' | 'ratio', text: string): void {
		const value = field === 'ratio' ? readRatio(text) : Number(text);
		if (value === undefined || !Number.isFinite(value)) return;
		setting.put((of) => ({ ...of, [end]: { ...of[end], [field]: value } }));
	}

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
		{#each ENDS as end (end)}
			<p class="end">
				at
				<NumberField
					label="{end} end, px of width"
					value={String(scale[end].width)}
					size={4}
					problem={problemOf(`${end}.width`)}
					onput={(text) => put(end, 'width', text)}
				/>
				body
				<NumberField
					label="Body size at the {end} end, px"
					value={places(scale[end].body)}
					step={0.1}
					size={4}
					problem={problemOf(`${end}.body`)}
					onput={(text) => put(end, 'body', text)}
				/>
				each step ×
				<NumberField
					label="Ratio at the {end} end"
					value={places(scale[end].ratio)}
					words
					step={0.005}
					size={5}
					problem={problemOf(`${end}.ratio`)}
					onput={(text) => put(end, 'ratio', text)}
				/>
				<select
					aria-label="Ratio at the {end} end, by name"
					value={ratioName(scale[end].ratio) ?? ''}
					onchange={(event) => put(end, 'ratio', event.currentTarget.value)}
				>
					<option value="" disabled>of one’s own</option>
					{#each RATIOS as { name, ratio } (name)}<option value={name} title={ratio.toFixed(3)}>{name}</option
						>{/each}
				</select>
			</p>
		{/each}
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

	.end {
		display: flex;
		align-items: center;
		gap: 0.375rem;
		color: var(--ink-2);
	}

	.end + .end {
		margin-left: auto;
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
