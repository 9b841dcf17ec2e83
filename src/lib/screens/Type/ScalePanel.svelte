<script lang="ts">
	import {
		ratioName,
		readSizes,
		recognise,
		scaleProblems,
		toProperties,
		toTable,
		toTokens,
		type Scale
	} from '$lib/core/scale/index.ts';
	import type { Typesetting } from '$lib/state/typesetting.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import { download } from '$lib/ui/download.ts';
	import NumberField from './NumberField.svelte';

	interface Props {
		setting: Typesetting;
	}

	let { setting }: Props = $props();
	const { scale } = $derived(setting);
	let said = $state('');
	let input: HTMLInputElement;

	const put = (change: Partial<Scale>): void => setting.put(change);
	const output = (change: Partial<Scale['output']>): void => put({ output: { ...scale.output, ...change } });
	const problemOf = (field: string): string | undefined =>
		setting.problems.find((one) => one.field === field)?.sentence;

	/** The steps that there are, from the largest, with what each is called. */
	const rows = $derived(
		Array.from({ length: Math.max(0, Math.min(20, scale.up + scale.down + 1)) }, (_, i) => {
			const step = scale.up - i;
			return { step, role: scale.roles.find((one) => one.step === step) };
		})
	);

	function role(step: number, change: { name?: string; selectors?: readonly string[] }): void {
		const known = scale.roles.find((one) => one.step === step);
		const others = scale.roles.filter((one) => one.step !== step);
		const next = { step, name: known?.name ?? '', selectors: known?.selectors ?? [], ...change };
		const empty = next.name.trim() === '' && next.selectors.length === 0;
		put({ roles: empty ? others : [...others, { ...next, selectors: [...next.selectors] }] });
	}

	const group = $derived(scale.groups[0]);
	/** Weight and line height of all levels above body, once. */
	function grouped(change: { weight?: string; line?: readonly [number, number] }): void {
		const next = { weight: group?.weight ?? '', line: group?.line ?? ([0, 0] as const), ...change };
		const roles = scale.roles.filter(({ step }) => step > 0).map(({ name }) => name);
		const isEmpty = next.weight.trim() === '' && next.line[0] === 0;
		put({
			groups: isEmpty ? [] : [{ roles, weight: next.weight.trim(), line: [...next.line] as [number, number] }]
		});
	}

	const found = $derived(setting.found);
	function takeFound(): void {
		if (!found) return;
		setting.put((of) => ({
			...of,
			narrow: { ...of.narrow, body: round(found.body.narrow), ratio: found.ratio.narrow },
			wide: { ...of.wide, body: round(found.body.wide), ratio: found.ratio.wide },
			up: Math.max(1, ...found.steps.map(({ step }) => step)),
			own: [],
			roles: found.steps
				.map(({ name, step }) => ({ step, name, selectors: [name] }))
				.filter(({ step }, i, all) => all.findIndex((one) => one.step === step) === i)
		}));
	}
	const round = (size: number): number => Number(size.toFixed(3));

	async function take(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
		const [file] = event.currentTarget.files ?? [];
		event.currentTarget.value = '';
		if (!file) return;
		const read = readSizes(await file.text(), setting.root.px);
		if (read.kind === 'problem') said = `${file.name}: ${read.sentence} Nothing was taken in.`;
		else if (read.kind === 'scale') {
			const [problem] = scaleProblems(read.scale);
			said = problem
				? `${file.name}: ${problem.sentence}`
				: `${file.name}: taken in, with its ends and names.`;
			if (!problem) setting.put(() => read.scale);
		} else {
			const body =
				read.sizes.find(({ name }) => /body|base|text|^p$|[-_]0$/i.test(name)) ?? read.sizes.at(-1);
			const as = body && recognise(read.sizes, body);
			if (!as || !body) {
				said = `${file.name}: ${read.sizes.length} sizes, which are no scale: no ratio leads from one to the next.`;
				return;
			}
			const off = as.steps.filter(({ fits }) => !fits);
			setting.put((of) => ({
				...of,
				narrow: {
					width: read.widths?.narrow ?? of.narrow.width,
					body: round(body.narrow),
					ratio: as.ratio.narrow
				},
				wide: { width: read.widths?.wide ?? of.wide.width, body: round(body.wide), ratio: as.ratio.wide },
				up: Math.max(0, ...as.steps.map(({ step }) => step)),
				down: Math.max(0, ...as.steps.map(({ step }) => -step)),
				own: off.flatMap(({ step, name }) => {
					const own = read.sizes.find((one) => one.name === name);
					return own
						? [
								{ step, end: 'narrow' as const, size: round(own.narrow) },
								{ step, end: 'wide' as const, size: round(own.wide) }
							]
						: [];
				}),
				roles: as.steps
					.filter(({ step }, i, all) => all.findIndex((one) => one.step === step) === i)
					.map(({ name, step }) => ({
						step,
						name,
						selectors: of.roles.find((one) => one.step === step)?.selectors ?? []
					}))
			}));
			said = `${file.name}: ${read.sizes.length} sizes taken in as a scale${off.length > 0 ? `; ${off.map(({ name }) => name).join(', ')} off it` : ''}.`;
		}
	}
</script>

<div class="panel">
	{#if found}
		<p class="found">
			The sheets as they are: × {found.ratio.narrow.toFixed(3)}
			{ratioName(found.ratio.narrow) ?? ''} at {scale.narrow.width}, × {found.ratio.wide.toFixed(3)}
			{ratioName(found.ratio.wide) ?? ''} at {scale.wide.width}{found.steps.some(({ fits }) => !fits)
				? `; off it: ${found.steps
						.filter(({ fits }) => !fits)
						.map(({ name, off }) => `${name} by ${off.wide.toFixed(1)} px`)
						.join(', ')}`
				: ''}
			<Button look="quiet" onclick={takeFound}>begin with it</Button>
		</p>
	{:else if setting.before}
		<p class="found">
			The sheets’ own sizes are no scale: no ratio leads through three of them at both ends.
		</p>
	{/if}
	<p>
		steps up <NumberField
			label="Steps above body size"
			value={String(scale.up)}
			size={2}
			problem={problemOf('up')}
			onput={(text) => put({ up: Math.round(Number(text)) })}
		/>
		down <NumberField
			label="Steps below body size"
			value={String(scale.down)}
			size={2}
			problem={problemOf('down')}
			onput={(text) => put({ down: Math.round(Number(text)) })}
		/>
		sizes rounded to
		<NumberField
			label="Sizes at the ends rounded to, px; 0 for not at all"
			value={String(scale.round)}
			step={0.5}
			size={3}
			onput={(text) => Number(text) >= 0 && put({ round: Number(text) })}
		/> px
	</p>
	<table>
		<thead><tr><th>step</th><th>called</th><th>elements and classes that have it</th></tr></thead>
		<tbody>
			{#each rows as { step, role: own } (step)}
				<tr>
					<td>{step > 0 ? `+${step}` : step}</td>
					<td
						><input
							aria-label="Name of step {step}"
							value={own?.name ?? ''}
							aria-invalid={problemOf(`role.${step}`) !== undefined}
							onchange={(event) => role(step, { name: event.currentTarget.value })}
						/></td
					>
					<td
						><input
							class="selectors"
							aria-label="Selectors of step {step}"
							value={own?.selectors.join(', ') ?? ''}
							onchange={(event) =>
								role(step, {
									selectors: event.currentTarget.value
										.split(',')
										.map((one) => one.trim())
										.filter((one) => one !== '')
								})}
						/></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
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
	<p>
		space steps
		<input
			class="selectors"
			aria-label="Space steps: names and multiples of body size"
			placeholder="tight 0.5, wide 2"
			value={scale.spaces.map(({ name, times }) => `${name} ${times}`).join(', ')}
			onchange={(event) =>
				put({
					spaces: event.currentTarget.value.split(',').flatMap((one) => {
						const [, name, times] = /^\s*(\S+)\s+([\d.]+)\s*$/.exec(one) ?? [];
						return name !== undefined && Number(times) > 0 ? [{ name, times: Number(times) }] : [];
					})
				})}
		/>
	</p>
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
			/> a line for old engines</label
		>
	</p>
	<p class="out">
		<Button look="quiet" onclick={() => download('scale.tokens.json', toTokens(scale), 'application/json')}
			>Out as tokens</Button
		>
		<Button
			look="quiet"
			onclick={() => download('scale.css', toProperties(scale, setting.root.px), 'text/css')}>as CSS</Button
		>
		<Button look="quiet" onclick={() => download('scale.csv', toTable(scale), 'text/csv')}>as CSV</Button>
		<Button look="quiet" onclick={() => input.click()}>In from a file</Button>
		<input bind:this={input} type="file" hidden accept=".json,.css,.csv" onchange={take} />
	</p>
	{#if said}<p role="status" class="said">{said}</p>{/if}
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

	table {
		border-collapse: collapse;
	}

	th {
		padding: 0 0.5rem 0.125rem 0;
		color: var(--ink-2);
		font-weight: 400;
		text-align: left;
	}

	td {
		padding: 0 0.5rem 1px 0;
		font: 0.8125rem/1 var(--mono);
	}

	td:last-child {
		width: 100%;
		padding-right: 0;
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

	input[aria-invalid='true'] {
		border-color: var(--rubric);
	}

	td input {
		width: 7rem;
	}

	.selectors {
		flex: 1;
		width: 100%;
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
