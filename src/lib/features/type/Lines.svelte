<script lang="ts">
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import { placeInWords } from '$lib/session/placeInWords.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import PlaceButton from '$lib/ui/PlaceButton.svelte';
	import ChangedLines from '$lib/features/arrange/ChangedLines.svelte';

	interface Props {
		setting: Typesetting;
		site: SiteState;
		onplace: (place: FilePlace) => void;
	}

	let { setting, site, onplace }: Props = $props();

	const count = $derived(setting.lines.reduce((sum, { hunks }) => sum + hunks.length, 0));
	const short = (path: string): string => path.replace(/^.*\//, '');
</script>

<div class="lines">
	<p class="into">
		<span class="title">into</span>
		<select
			aria-label="The sheet that new sizes go into"
			value={setting.into}
			onchange={(event) => {
				setting.home = event.currentTarget.value;
				setting.try();
			}}
		>
			{#each setting.files as path (path)}<option value={path}>{short(path)}</option>{/each}
		</select>
		<span class="count">
			{#if setting.edit}{count} {count === 1 ? 'place changes' : 'places change'}, nothing else
			{:else if setting.work === 'sizes'}nothing is tried
			{:else}nothing changes{/if}
		</span>
	</p>
	{#if setting.work === 'scale'}
		{#each setting.problems as { sentence }, i (i)}<p class="problem">‸ {sentence}</p>{/each}
	{/if}
	{#if setting.refusal}<p class="problem" role="alert">{setting.refusal.sentence}</p>{/if}
	{#if setting.files.length === 0 && setting.reading.now}
		<p class="problem">
			Every sheet of this page is given, so there is none to write into. Unlock one on the Site screen.
		</p>
	{/if}
	{#if !setting.root.still}
		<p class="problem">The root font size depends on the width; rem is computed with 16 px here.</p>
	{/if}
	<ChangedLines files={setting.lines} most={60} />
	{#if setting.winners.length > 0}
		<p class="problem">
			{setting.winners.length}
			{setting.winners.length === 1 ? 'declaration still wins' : 'declarations still win'} over this:
		</p>
		<ul>
			{#each setting.winners as winner, i (i)}
				<li>
					<code>{winner.from.hit?.selector ?? 'style attribute'}</code>
					<span>{winner.from.property}: {winner.from.written}</span>
					<PlaceButton onclick={() => onplace({ path: winner.file, offset: winner.offset })}
						>{placeInWords(site, winner.file, winner.offset)}</PlaceButton
					>
					<span>{winner.count > 1 ? `${winner.count} elements` : winner.name}</span>
					<Button look="quiet" onclick={() => setting.takeOut(winner)}>remove it too</Button>
				</li>
			{/each}
		</ul>
	{/if}
	{#if setting.work === 'sizes'}
		<p class="hint">
			Choose <b>A scale</b> to set all sizes from one ratio at each end, or <b>One length</b> for the size of what
			is selected. It is tried in the frames at once; the lines that change appear here before they are written.
		</p>
	{/if}
</div>

<style>
	.lines {
		display: grid;
		gap: 0.375rem;
		align-content: start;
	}

	p {
		margin: 0;
	}

	.into {
		display: flex;
		align-items: baseline;
		gap: 0.5rem;
	}

	.title {
		font: 600 1rem/1.2 var(--display);
	}

	.count,
	.hint,
	li span {
		color: var(--ink-2);
	}

	.problem {
		color: var(--rubric);
	}

	ul {
		display: grid;
		gap: 0.125rem;
		margin: 0;
		padding: 0;
		list-style: none;
	}

	li {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 0 0.5rem;
	}

	code,
	li span {
		font: 0.8125rem/1.3 var(--mono);
	}
</style>
