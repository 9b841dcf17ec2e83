<script lang="ts">
	import { printInterval } from '$lib/core/interval/index.ts';
	import type { ShownColumn } from './collating.svelte.ts';

	interface Props {
		shown: readonly ShownColumn[];
		/** The column of the carriage. */
		here: ShownColumn | undefined;
		/** Whether there are frames above the columns. */
		isWide: boolean;
	}

	let { shown, here, isWide }: Props = $props();
</script>

<thead>
	<tr>
		<th scope="col"><span class="sr">property</span></th>
		{#each shown as { letter, interval, width } (letter)}
			<th scope="col" class:here={here?.letter === letter}
				><b>{letter}</b> <span>{printInterval(interval)}</span>
				{#if isWide}<span class="at" title="The width of the frame over it">{width}</span>{/if}</th
			>
		{/each}
	</tr>
</thead>

<style>
	.at {
		float: right;
		padding-right: 0.5rem;
	}

	thead th {
		position: sticky;
		top: 0;
		z-index: 1;
		height: 1.625rem;
		padding-left: 0.625rem;
		background: var(--sheet);
	}

	thead b {
		font: 600 0.9375rem/1 var(--display);
		color: var(--ink);
	}

	thead span {
		font-family: var(--mono);
	}

	.sr {
		position: absolute;
		width: 1px;
		height: 1px;
		overflow: hidden;
		clip-path: inset(50%);
	}
</style>
