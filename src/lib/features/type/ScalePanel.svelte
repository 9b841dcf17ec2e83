<script lang="ts">
	import { withRecognised, type Scale } from '$lib/core/scale/index.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import NumberField from './NumberField.svelte';
	import ScaleFiles from './ScaleFiles.svelte';
	import SpaceSteps from './SpaceSteps.svelte';
	import StepsTable from './StepsTable.svelte';

	interface Props {
		setting: Typesetting;
	}

	let { setting }: Props = $props();
	const { scale, found } = $derived(setting);

	const put = (change: Partial<Scale>): void => setting.put(change);
	const output = (change: Partial<Scale['output']>): void => put({ output: { ...scale.output, ...change } });
	const group = $derived(scale.groups[0]);
	/** The weight and line height of all levels above body, together. */
	function grouped(change: { weight?: string; line?: readonly [number, number] }): void {
		const next = { weight: group?.weight ?? '', line: group?.line ?? ([0, 0] as const), ...change };
		const roles = scale.roles.filter(({ step }) => step > 0).map(({ name }) => name);
		const isEmpty = next.weight.trim() === '' && next.line[0] === 0;
		const line: [number, number] = [...next.line];
		put({ groups: isEmpty ? [] : [{ roles, weight: next.weight.trim(), line }] });
	}
</script>

<div class="panel">
	{#if found}
		<p class="found">
			The sheets as they are: × {found.ratio.narrow.toFixed(3)} at {found.ends?.narrow}, × {found.ratio.wide.toFixed(
				3
			)}
			at {found.ends?.wide}{found.steps.some(({ fits }) => !fits)
				? `; off it: ${found.steps
						.filter(({ fits }) => !fits)
						.map(({ name, off }) => `${name} by ${off.wide.toFixed(1)} px`)
						.join(', ')}`
				: ''}
			<Button look="quiet" onclick={() => setting.put((of) => withRecognised(of, found, (name) => [name]))}
				>start from it</Button
			>
		</p>
	{:else if setting.reading.before}
		<p class="found">
			The sizes in the sheets form no scale: no single ratio fits three of them at both ends.
		</p>
	{/if}
	<StepsTable {setting} />
	<p>
		sizes at the ends rounded to
		<NumberField
			label="Sizes at the ends rounded to, px; 0 for not at all"
			value={String(scale.round)}
			step={0.5}
			size={3}
			onput={(text) => Number(text) >= 0 && put({ round: Number(text) })}
		/> px
	</p>
	<p>
		above body: weight <input
			class="short"
			aria-label="Weight of the levels"
			value={group?.weight ?? ''}
			onchange={(event) => grouped({ weight: event.currentTarget.value })}
		/>
		line height
		<NumberField
			label="Line height of the levels at the narrow end, times the size; 0 for none"
			value={String(group?.line[0] ?? 0)}
			step={0.05}
			size={3}
			onput={(text) => grouped({ line: [Number(text), group?.line[1] || Number(text)] })}
		/> to
		<NumberField
			label="Line height of the levels at the wide end"
			value={String(group?.line[1] ?? 0)}
			step={0.05}
			size={3}
			onput={(text) => grouped({ line: [group?.line[0] || Number(text), Number(text)] })}
		/>
	</p>
	<SpaceSteps {setting} />
	<p class="out">
		written as
		<label
			><input
				type="checkbox"
				checked={scale.output.properties}
				onchange={(event) => output({ properties: event.currentTarget.checked })}
			/> custom properties</label
		>
		<input
			class="short"
			aria-label="Pattern of custom properties’ names"
			value={scale.output.property}
			onchange={(event) => output({ property: event.currentTarget.value })}
		/>
		<label
			><input
				type="checkbox"
				checked={scale.output.rules}
				onchange={(event) => output({ rules: event.currentTarget.checked })}
			/> rules</label
		>
		<label
			><input
				type="checkbox"
				checked={scale.output.classes}
				onchange={(event) => output({ classes: event.currentTarget.checked })}
			/> classes</label
		>
		<input
			class="short"
			aria-label="Pattern of classes’ names"
			value={scale.output.class}
			onchange={(event) => output({ class: event.currentTarget.value })}
		/>
		<select
			aria-label="Unit of the middle"
			value={scale.output.unit}
			onchange={(event) => output({ unit: event.currentTarget.value as Scale['output']['unit'] })}
		>
			<option>vw</option><option>vi</option><option>cqi</option>
		</select>
		<select
			aria-label="Unit of the ends"
			value={scale.output.ends}
			onchange={(event) => output({ ends: event.currentTarget.value as Scale['output']['ends'] })}
		>
			<option>rem</option><option>px</option>
		</select>
		<label title="Only where sizes stand in rules themselves"
			><input
				type="checkbox"
				disabled={scale.output.properties}
				checked={scale.output.fallback}
				onchange={(event) => output({ fallback: event.currentTarget.checked })}
			/> a fallback for old engines</label
		>
	</p>
	<ScaleFiles {setting} />
</div>

<style>
	.panel {
		display: grid;
		gap: 0.375rem;
		align-content: start;
	}

	p {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0.25rem 0.375rem;
		margin: 0;
		color: var(--ink-2);
	}

	.found {
		color: var(--ink);
	}

	input:not([type='checkbox']) {
		height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		border-bottom: 1px solid var(--hair);
		background: none;
		color: var(--ink);
		font: 0.8125rem/1 var(--mono);
	}

	.short {
		width: 8rem;
	}

	label {
		display: flex;
		align-items: center;
		gap: 0.25rem;
		color: var(--ink);
	}
</style>
