<script lang="ts">
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { PendingValue } from '$lib/features/collation/extent.ts';
	import type { Table } from '$lib/features/collation/hand.svelte.ts';
	import Into from '$lib/features/collation/Into.svelte';
	import type { PageState } from '$lib/session/page.svelte.ts';

	interface Props {
		page: PageState;
		table: Table;
		/** The value being edited. */
		held: PendingValue;
		onplace: (place: FilePlace) => void;
	}

	let { page, table, held, onplace }: Props = $props();
	const { collating, hand } = $derived(table);

	function pressed(event: KeyboardEvent): void {
		event.stopPropagation();
		if (event.key === 'Enter') void hand.keep();
		else if (event.key === 'Escape') hand.drop();
		else return;
		event.preventDefault();
	}
</script>

<div class="hand">
	<label>
		{held.property}
		<input
			class="field"
			value={held.value}
			spellcheck="false"
			oninput={(event) => hand.put({ value: event.currentTarget.value })}
			onkeydown={pressed}
			{@attach (field) => field.focus()}
		/>
	</label>
	<span><kbd>Enter</kbd> writes it, <kbd>Esc</kbd> discards it</span>
	<Into {page} {collating} {hand} {held} {onplace} />
</div>

<style>
	.hand {
		margin: 0.5rem 0;
		padding: 0.375rem 0.5rem;
		border: 1px solid var(--ink);
		font-size: 0.8125rem;
	}

	.hand label {
		font-family: var(--mono);
	}

	.field {
		width: 8rem;
		min-height: 1.625rem;
		padding: 0 0.25rem;
		border: 1px solid var(--ink);
		background: var(--sheet);
		font: inherit;
	}

	span {
		color: var(--ink-2);
	}

	kbd {
		font: 0.8125rem/1.2 var(--mono);
	}
</style>
