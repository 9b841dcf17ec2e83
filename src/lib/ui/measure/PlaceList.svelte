<script lang="ts">
	import type { Places, Stated } from './places.ts';

	interface Props extends Places {
		stated: readonly Stated[];
	}

	let { stated, placeOf, onplace }: Props = $props();
</script>

<ul>
	{#each stated as one, i (i)}
		<li>
			<button type="button" onclick={() => onplace(one)}>
				<code>{one.text}</code> <span>{placeOf(one)}</span>
			</button>
		</li>
	{/each}
</ul>

<style>
	button {
		display: flex;
		gap: 0.75rem;
		justify-content: space-between;
		width: 100%;
		min-height: 1.5rem;
		padding: 2px 0;
		border: 0;
		background: none;
		text-align: left;
		cursor: pointer;
	}

	button:hover {
		background: var(--tint);
	}

	code {
		color: var(--ink);
		font: 0.8125rem/1.4 var(--mono);
	}

	span {
		color: var(--blue);
		font: 0.8125rem/1.4 var(--mono);
		white-space: nowrap;
	}
</style>
