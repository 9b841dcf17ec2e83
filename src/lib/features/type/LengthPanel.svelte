<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { toNumber } from '$lib/core/interval/index.ts';
	import { curveInWords, jointsOf, printWidth, within } from '$lib/core/length/index.ts';
	import type { Judged, FluidLength, Middle } from './fluidLength.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import { SHOWN } from './shown.ts';
	import NumberField from './NumberField.svelte';
	import { printSize } from './drawing.ts';

	interface Props {
		setting: Typesetting;
		onproperty: (property: string) => void;
	}

	let { setting, onproperty }: Props = $props();
	const { carriage } = getSite();

	/** Lengths that can be set, besides the text size. */
	const LENGTHS =
		'font-size line-height letter-spacing padding-top padding-right padding-bottom padding-left margin-top margin-bottom gap row-gap column-gap max-width'.split(
			' '
		);

	const length = $derived(setting.length);
	const knees = $derived(
		(setting.lengthCurve ? jointsOf(setting.lengthCurve) : []).filter(({ kind }) => kind === 'knee')
	);
	/** The knees in words: where the length is constant. */
	const said = $derived.by(() => {
		if (!setting.lengthCurve) return '';
		const [low, high] = [knees[0], knees.at(-1)];
		if (low && high && low !== high)
			return `stays constant under ${printWidth(low.cut.at)} and from ${printWidth(high.cut.at)}`;
		return curveInWords(within(setting.lengthCurve, SHOWN));
	});
	/** Knees that are not at the given widths. */
	const astray = $derived.by(() => {
		if (!length || length.middle.kind === 'between' || knees.length === 0) return '';
		const [low, high] = [knees[0], knees.at(-1)].map((one) => (one ? toNumber(one.cut.at) : NaN));
		const off = [
			Math.abs((low ?? NaN) - length.least.width) > 1
				? `the smallest was judged at ${length.least.width}`
				: '',
			Math.abs((high ?? NaN) - length.most.width) > 1 ? `the largest at ${length.most.width}` : ''
		].filter((one) => one !== '');
		return off.length > 0 ? `The middle does not meet the ends there: ${off.join(', ')}.` : '';
	});

	const put = (change: Partial<FluidLength>): void => setting.putLength(change);
	function judged(end: 'least' | 'most', text: string): void {
		const size = Number(text);
		if (length && Number.isFinite(size)) put({ [end]: { size, width: carriage.width } });
	}
	function middle(kind: Middle['kind']): void {
		if (!length) return;
		const { least, most } = length;
		const width = carriage.width;
		const size = Number(
			(least.size + ((most.size - least.size) * (width - least.width)) / (most.width - least.width)).toFixed(
				2
			)
		);
		put({
			middle:
				kind === 'vw'
					? { kind, vw: Number(((100 * size) / width).toFixed(3)) }
					: kind === 'at'
						? { kind, size, width }
						: { kind }
		});
	}
	const problem = $derived(setting.problems[0]?.sentence ?? '');
</script>

{#snippet end(name: 'least' | 'most', words: string, of: Judged)}
	<p>
		<span class="which">{words}</span>
		<NumberField
			label="{words}, px"
			value={printSize(of.size)}
			step={0.5}
			onput={(text) => judged(name, text)}
		/>
		px <span class="rem">{(of.size / setting.root.px).toFixed(3)}rem</span> judged at
		<NumberField
			label="{words}: judged at, px of width"
			value={String(of.width)}
			size={4}
			onput={(text) => Number(text) > 0 && put({ [name]: { ...of, width: Number(text) } })}
		/>
		<Button look="quiet" onclick={() => (carriage.width = of.width)} title="The carriage goes there"
			>go there</Button
		>
	</p>
{/snippet}

{#if length}
	<div class="panel">
		<p>
			<span class="which">length</span>
			<select
				aria-label="Property"
				value={length.property}
				onchange={(event) => onproperty(event.currentTarget.value)}
			>
				{#each LENGTHS as one (one)}<option>{one}</option>{/each}
			</select>
			of
			<input
				class="selector"
				aria-label="Selector that it is written for"
				value={length.selector}
				onchange={(event) => put({ selector: event.currentTarget.value.trim() || length.selector })}
			/>
		</p>
		{@render end('least', 'smallest', length.least)}
		<p>
			<span class="which">middle</span>
			<select
				aria-label="Middle"
				value={length.middle.kind}
				onchange={(event) => middle(event.currentTarget.value as Middle['kind'])}
			>
				<option value="between">straight between them</option>
				<option value="vw">in {setting.scale.output.unit}</option>
				<option value="at">this size at this width</option>
			</select>
			{#if length.middle.kind === 'vw'}
				<NumberField
					label="Middle, vw"
					value={String(length.middle.vw)}
					step={0.05}
					onput={(text) => put({ middle: { kind: 'vw', vw: Number(text) } })}
				/>
				{setting.scale.output.unit}
			{:else if length.middle.kind === 'at'}
				{@const of = length.middle}
				<NumberField
					label="Middle, px"
					value={printSize(of.size)}
					step={0.5}
					onput={(text) => put({ middle: { kind: 'at', size: Number(text), width: carriage.width } })}
				/>
				px at {of.width}
			{/if}
		</p>
		{@render end('most', 'largest', length.most)}
		{#if problem}<p class="problem" role="alert">‸ {problem}</p>
		{:else}
			<p class="said"><b>{said}</b></p>
			{#if astray}<p class="astray">{astray}</p>{/if}
		{/if}
		{#if setting.tried.length > 1}
			<p class="tried">
				tried:
				{#each setting.tried as text, i (i)}<code>{text}</code>{/each}
			</p>
		{/if}
		<label
			><input
				type="checkbox"
				checked={length.comment}
				onchange={(event) => put({ comment: event.currentTarget.checked })}
			/> the widths judged at, and what was tried, go into the sheet as a comment</label
		>
	</div>
{/if}

<style>
	.panel {
		display: grid;
		gap: 0.25rem;
		align-content: start;
	}

	p {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.375rem;
		margin: 0;
	}

	.which {
		min-width: 4.5rem;
		color: var(--ink-2);
	}

	.rem,
	code {
		color: var(--ink-2);
		font: 0.8125rem/1.3 var(--mono);
	}

	.selector {
		flex: 1;
		min-width: 6rem;
		height: 1.5rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
		font: 0.8125rem/1 var(--mono);
	}

	.problem {
		color: var(--rubric);
	}

	.astray {
		color: var(--ochre);
	}

	label {
		display: flex;
		align-items: center;
		gap: 0.375rem;
	}
</style>
