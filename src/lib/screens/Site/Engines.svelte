<script lang="ts">
	import type { Result } from '$lib/core/text/index.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import NotKept from '$lib/ui/NotKept.svelte';

	let { site }: { site: SiteState } = $props();

	const YEARS = [
		[0, 'today'],
		[1, 'for a year'],
		[2.5, 'for two and a half years'],
		[5, 'for five years']
	] as const;
	const kept = $derived(site.kept.target);
	const years = $derived(kept.list[0]?.years);

	const choose = (value: string): Promise<Result> =>
		kept.keep(() => (value === '' ? [] : [{ years: Number(value) }]), 'engines asked for changed');
</script>

<label>
	Warn about features that not every engine has supported
	<select
		value={years === undefined ? '' : String(years)}
		onchange={(event) => choose(event.currentTarget.value)}
	>
		<option value="">do not warn</option>
		{#each YEARS as [value, words] (value)}<option value={String(value)}>{words}</option>{/each}
	</select>
</label>
<p>The sheet marks each line that uses a newer feature.</p>
<NotKept list={kept} />

<style>
	label {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
		align-items: center;
	}

	select {
		background: var(--paper);
	}

	p {
		color: var(--ink-2);
	}
</style>
