<script lang="ts">
	interface Props {
		/** The name of the element. */
		name: string;
		/** The lead's width, CSS px. */
		width: number;
		/** The element's pseudo-elements, and the chosen one; '' for the element itself. */
		pseudos: readonly string[];
		chosen: string;
		/** The search word for properties. */
		words: string;
	}

	let { name, width, pseudos, chosen = $bindable(), words = $bindable() }: Props = $props();
</script>

<div class="head">
	<p role="status"><b>{name}</b> <span>at {width} px</span></p>
	{#if pseudos.length > 0}
		<select aria-label="Which part of it" bind:value={chosen}>
			<option value="">itself</option>
			{#each pseudos as one (one)}<option>{one}</option>{/each}
		</select>
	{/if}
	<label>
		Property
		<input type="search" bind:value={words} placeholder="any" spellcheck="false" autocomplete="off" />
	</label>
</div>

<style>
	.head {
		display: flex;
		gap: 1rem;
		align-items: baseline;
		justify-content: space-between;
		margin-bottom: 0.375rem;
	}

	.head p {
		min-width: 0;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	.head span {
		color: var(--ink-2);
	}

	b {
		font: 600 0.8125rem/1.4 var(--mono);
	}

	label {
		display: flex;
		flex: none;
		gap: 0.5rem;
		align-items: baseline;
		color: var(--ink-2);
	}

	input {
		width: 9.375rem;
		min-height: 1.625rem;
		padding: 0 0.25rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
		color: var(--ink);
		font: 0.8125rem/1.2 var(--mono);
	}
</style>
