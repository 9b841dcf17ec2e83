<script lang="ts">
	import { store } from '$lib/session/store.ts';
	import Button from '$lib/ui/Button.svelte';

	const AWAY = 'vantaggio-first-look-away';
	let isAway = $state(store.get(AWAY) !== null);

	function putAway(): void {
		isAway = true;
		store.set(AWAY, 'yes');
	}

	/** Each part of the Bench, in one sentence. */
	const PARTS = [
		['The Measure, above', 'has every width at which something changes; drag the brass carriage along it.'],
		['The frames', 'show the page live at the carriage’s width, and beside it as other vantages.'],
		['The sheet', 'is what you write; a bar at a rule shows the widths at which it is in force.'],
		['This panel', 'tells about what is selected, and about the page with all that is wrong on it.'],
		['The foot', 'says as what the lead is shown, what is set for all frames, and what must stay as it is.'],
		['Find and Keys', 'at the top lead to everything else.']
	] as const;
</script>

{#if !isAway}
	<section aria-label="The parts of the Bench">
		<dl>
			{#each PARTS as [part, sentence] (part)}
				<div>
					<dt>{part}</dt>
					<dd>{sentence}</dd>
				</div>
			{/each}
		</dl>
		<Button look="quiet" onclick={putAway}>Put this away</Button>
	</section>
{/if}

<style>
	section {
		margin-top: 0.75rem;
	}

	dl {
		display: grid;
		gap: 0.25rem;
		max-width: 60ch;
		margin-bottom: 0.5rem;
	}

	dt,
	dd {
		display: inline;
		margin: 0;
	}

	dt {
		font-weight: 600;
	}

	dd {
		color: var(--ink-2);
	}
</style>
