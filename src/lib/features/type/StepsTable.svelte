<script lang="ts">
	import type { Typesetting } from './typesetting.svelte.ts';

	interface Props {
		setting: Typesetting;
	}

	let { setting }: Props = $props();
	const { scale } = $derived(setting);

	/** The largest number of steps above body size, and below it. */
	const MOST_STEPS = { up: 12, down: 6 };
	/** The largest number of rows shown while the number of steps is invalid. */
	const MOST = 20;
	/** The steps from the largest, with their names. */
	const rows = $derived(
		Array.from({ length: Math.max(0, Math.min(MOST, scale.up + scale.down + 1)) }, (_, i) => {
			const step = scale.up - i;
			return { step, role: scale.roles.find((one) => one.step === step) };
		})
	);
	const isFaulty = (step: number): boolean => setting.problems.some(({ field }) => field === `role.${step}`);

	function put(step: number, change: { name?: string; selectors?: readonly string[] }): void {
		const known = scale.roles.find((one) => one.step === step);
		const others = scale.roles.filter((one) => one.step !== step);
		const next = { step, name: known?.name ?? '', selectors: known?.selectors ?? [], ...change };
		const empty = next.name.trim() === '' && next.selectors.length === 0;
		setting.put({ roles: empty ? others : [...others, { ...next, selectors: [...next.selectors] }] });
	}

	const inList = (text: string): string[] =>
		text
			.split(',')
			.map((one) => one.trim())
			.filter((one) => one !== '');
</script>

{#snippet adding(where: 'up' | 'down', name: string)}
	{@const count = scale[where]}
	<p>
		<button
			type="button"
			disabled={count >= MOST_STEPS[where]}
			onclick={() => setting.put({ [where]: count + 1 })}>Add a step {name}</button
		>
		{#if count > 0}
			<button type="button" onclick={() => setting.put({ [where]: count - 1 })}
				>Remove the {where === 'up' ? 'largest' : 'smallest'}</button
			>
		{/if}
	</p>
{/snippet}

{@render adding('up', 'above')}
<table>
	<thead><tr><th>step</th><th>called</th><th>elements and classes that have it</th></tr></thead>
	<tbody>
		{#each rows as { step, role } (step)}
			<tr>
				<td>{step > 0 ? `+${step}` : step}</td>
				<td
					><input
						aria-label="Name of step {step}"
						value={role?.name ?? ''}
						aria-invalid={isFaulty(step)}
						onchange={(event) => put(step, { name: event.currentTarget.value })}
					/></td
				>
				<td
					><input
						aria-label="Selectors of step {step}"
						value={role?.selectors.join(', ') ?? ''}
						onchange={(event) => put(step, { selectors: inList(event.currentTarget.value) })}
					/></td
				>
			</tr>
		{/each}
	</tbody>
</table>
{@render adding('down', 'below')}

<style>
	p {
		display: flex;
		gap: 1rem;
		margin: 0;
	}

	button {
		min-height: 1.5rem;
		padding: 0;
		border: 0;
		background: none;
		color: var(--blue);
		cursor: pointer;
	}

	button:disabled {
		color: var(--ink-2);
		cursor: default;
	}

	button:hover:enabled {
		text-decoration: underline;
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

	input {
		width: 7rem;
		height: 1.5rem;
		padding: 0 0.25rem;
		border: 0;
		border-bottom: 1px solid var(--hair);
		background: none;
		color: var(--ink);
		font: 0.8125rem/1 var(--mono);
	}

	td:last-child input {
		width: 100%;
	}

	input[aria-invalid='true'] {
		border-color: var(--rubric);
	}
</style>
