<script lang="ts">
	import type { Snippet } from 'svelte';
	import { printIntervalSet, type IntervalSet } from '$lib/core/interval/index.ts';
	import type { Severity } from '$lib/core/findings/index.ts';

	interface Props {
		severity: Severity;
		widths: IntervalSet;
		/** Whether its ends are exact. */
		isExact?: boolean;
		/** Whether it is selected; undefined for a group. */
		isCurrent?: boolean;
		/** Whether its group is expanded; undefined for a single finding. */
		isOpen?: boolean;
		onclick: () => void;
		children: Snippet;
	}

	let { severity, widths, isExact = true, isCurrent, isOpen, onclick, children }: Props = $props();

	const marks = { grave: '!!', plain: '!', slight: '·' } as const;
	const severities = { grave: 'grave', plain: 'looks wrong', slight: 'worth a look' } as const;
</script>

<button type="button" aria-current={isCurrent} aria-expanded={isOpen} {onclick}>
	<span class="mark" title={severities[severity]}>{marks[severity]}</span>
	<span class="widths">{printIntervalSet(widths)}{isExact ? '' : ' …'}</span>
	<span>{@render children()}</span>
</button>

<style>
	button {
		display: grid;
		grid-template-columns: 1rem minmax(0, 7.5rem) minmax(0, 1fr);
		gap: 0.5rem;
		width: 100%;
		min-height: 1.75rem;
		padding: 0.25rem;
		border: 0;
		background: none;
		color: inherit;
		font-size: 0.8125rem;
		text-align: left;
		cursor: pointer;
	}

	button:hover,
	button[aria-current='true'] {
		background: var(--pick);
	}

	.mark {
		color: var(--rubric);
		font-weight: 700;
		text-align: center;
	}

	.widths {
		color: var(--rubric);
		font-family: var(--mono);
	}
</style>
