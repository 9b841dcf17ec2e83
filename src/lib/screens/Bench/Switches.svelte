<script lang="ts">
	import Menu from '$lib/ui/Menu.svelte';
	import { viewing } from '$lib/state/viewing.svelte.ts';

	const SIZES = [null, 16, 20, 24, 32] as const;
	const ZOOMS = [null, 1, 2, 4] as const;
</script>

<Menu label="Switches" up>
	<fieldset>
		<legend>Text size set in the browser</legend>
		{#each SIZES as size (size)}
			<label>
				<input
					type="radio"
					name="text-size"
					checked={viewing.switches.textSize === size}
					onchange={() => viewing.switch({ textSize: size })}
				/>
				{size === null ? 'each its own' : `${size}`}
			</label>
		{/each}
	</fieldset>
	<fieldset>
		<legend>Zoom</legend>
		{#each ZOOMS as zoom (zoom)}
			<label>
				<input
					type="radio"
					name="zoom"
					checked={viewing.switches.zoom === zoom}
					onchange={() => viewing.switch({ zoom })}
				/>
				{zoom === null ? 'each its own' : `${zoom * 100} %`}
			</label>
		{/each}
	</fieldset>
	<fieldset>
		<legend>In all frames</legend>
		<label>
			<input
				type="checkbox"
				checked={viewing.switches.textSpacing}
				onchange={(event) => viewing.switch({ textSpacing: event.currentTarget.checked })}
			/> text spaced (WCAG 1.4.12)
		</label>
		<label>
			<input
				type="checkbox"
				checked={viewing.switches.rightToLeft}
				onchange={(event) => viewing.switch({ rightToLeft: event.currentTarget.checked })}
			/> right to left
		</label>
		<label>
			<input
				type="checkbox"
				checked={viewing.switches.fontsMissing}
				onchange={(event) => viewing.switch({ fontsMissing: event.currentTarget.checked })}
			/> fonts missing
		</label>
	</fieldset>
</Menu>

<style>
	fieldset {
		display: flex;
		gap: 14px;
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
		gap: 5px;
		align-items: center;
		min-height: 24px;
	}

	input {
		width: 16px;
		height: 16px;
		margin: 0;
		accent-color: var(--ink);
	}
</style>
