<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import Menu from '$lib/ui/Menu.svelte';

	const { viewing } = getSite();

	let menu: Menu;

	export const open = (): void => menu.open();

	const SIZES = [null, 16, 20, 24, 32] as const;
	const ZOOMS = [null, 1, 2, 4] as const;
	const TICKS = [
		['textSpacing', 'text spaced (WCAG 1.4.12)'],
		['rightToLeft', 'right to left'],
		['fontsMissing', 'fonts missing']
	] as const;
</script>

{#snippet radios(
	legend: string,
	values: readonly (number | null)[],
	chosen: number | null,
	word: (value: number) => string,
	choose: (value: number | null) => void
)}
	<fieldset>
		<legend>{legend}</legend>
		{#each values as value (value)}
			<label>
				<input type="radio" name={legend} checked={chosen === value} onchange={() => choose(value)} />
				{value === null ? 'each its own' : word(value)}
			</label>
		{/each}
	</fieldset>
{/snippet}

<Menu label="Switches" up bind:this={menu}>
	{@render radios('Text size set in the browser', SIZES, viewing.switches.textSize, String, (textSize) =>
		viewing.switch({ textSize })
	)}
	{@render radios(
		'Zoom',
		ZOOMS,
		viewing.switches.zoom,
		(zoom) => `${zoom * 100} %`,
		(zoom) => viewing.switch({ zoom })
	)}
	<fieldset>
		<legend>In all frames</legend>
		{#each TICKS as [key, words] (key)}
			<label>
				<input
					type="checkbox"
					checked={viewing.switches[key]}
					onchange={(event) => viewing.switch({ [key]: event.currentTarget.checked })}
				/>
				{words}
			</label>
		{/each}
	</fieldset>
</Menu>

<style>
	fieldset {
		display: flex;
		gap: 0.875rem;
		margin: 0;
		padding: 0;
		border: 0;
	}

	legend {
		padding: 0;
		color: var(--ink-2);
	}

	label {
		display: flex;
		gap: 0.3125rem;
		align-items: center;
		min-height: 1.5rem;
	}
</style>
