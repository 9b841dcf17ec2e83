<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import type { ElementPath } from '$lib/core/html/index.ts';
	import {
		complement,
		fromInterval,
		above,
		below,
		EVERYTHING,
		printIntervalSet,
		rationalFromNumber
	} from '$lib/core/interval/index.ts';
	import { widthsFrom } from '$lib/core/interval/store.ts';
	import { bandAt, type Bands } from '$lib/core/media/index.ts';
	import type { Hold } from '$lib/core/wake/hold.ts';
	import { download } from '$lib/ui/download.ts';
	import { heldAs, heldInWords, reportPage } from '$lib/core/wake/report.ts';
	import type { Holding } from './holding.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { Swept } from '$lib/features/findings/sweeping.svelte.ts';
	import { roving } from '$lib/ui/roving.ts';
	import Button from '$lib/ui/Button.svelte';
	import NotKept from '$lib/ui/NotKept.svelte';

	interface Props {
		site: SiteState;
		holding: Holding;
		swept: Swept;
		bands: Bands;
		selected: readonly ElementPath[];
		/** The name of the selection. */
		name: string;
	}

	let { site, holding, swept, bands, selected, name }: Props = $props();
	const { carriage } = getSite();

	const STRETCHES = ['this band', 'all but this band', 'from here up', 'under here', 'every width'] as const;
	const SCOPES = { all: 'the whole page', inside: 'and all inside it', but: 'all but' } as const;
	let stretch = $state<(typeof STRETCHES)[number]>('this band');
	let scope = $state<Hold['scope']>('all');
	let everyPage = $state(false);

	const widths = $derived.by(() => {
		const band = fromInterval(bandAt(bands.bands, carriage.width).interval);
		const cut = { at: rationalFromNumber(carriage.width), after: false };
		const sets = {
			'this band': band,
			'all but this band': complement(band),
			'from here up': above(cut),
			'under here': below(cut),
			'every width': EVERYTHING
		};
		return sets[stretch];
	});
	const pages = $derived(
		everyPage
			? [...site.texts.values()].filter(({ kind }) => kind === 'page').map(({ path }) => path)
			: [swept.page.path]
	);

	function hold(event: SubmitEvent): void {
		event.preventDefault();
		const [path = null] = selected;
		void holding.hold(swept, { widths, scope, path: scope === 'all' ? null : path, pages });
	}

	/** Downloads a report on a Hold as a file. */
	async function save(hold: Hold, kind: 'json' | 'html'): Promise<void> {
		const report = await holding.report(swept, hold);
		const text = kind === 'json' ? JSON.stringify(report, null, '\t') : reportPage(report);
		download(
			`hold ${hold.page} ${report.widths}.${kind}`,
			text,
			kind === 'json' ? 'application/json' : 'text/html'
		);
	}

	/** The baseline of a Hold: the page at that time, saved or not. */
	function since({ at, revision, unsaved }: Hold): string {
		const time = new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
		return unsaved
			? `since ${time}, unsaved changes after revision ${revision}`
			: `since ${time}, revision ${revision}`;
	}

	const states = { broken: '✗ changed', holds: '✓ as it was', unknown: '… not measured yet' } as const;
</script>

<form onsubmit={hold}>
	<label>
		Hold
		<select bind:value={stretch}>
			{#each STRETCHES as one (one)}<option>{one}</option>{/each}
		</select>
	</label>
	<span class="widths">{printIntervalSet(widths)}</span>
	<label>
		of
		<select bind:value={scope}>
			<option value="all">{SCOPES.all}</option>
			<option value="inside" disabled={selected.length === 0}>{name} {SCOPES.inside}</option>
			<option value="but" disabled={selected.length === 0}>{SCOPES.but} {name}</option>
		</select>
	</label>
	<label><input type="checkbox" bind:checked={everyPage} disabled={scope === 'inside'} /> every page</label>
	<Button type="submit" disabled={holding.busy || (scope !== 'all' && selected.length === 0)}
		>{holding.busy ? 'Measuring …' : 'Hold it'}</Button
	>
</form>
{#if holding.trouble !== ''}<p class="trouble" role="alert">{holding.trouble}</p>{/if}
<NotKept list={site.kept.hold} />
<ul {@attach roving('.acts button', 'row')}>
	{#each holding.list as one, i (i)}
		{@const state = holding.stateOf(one)}
		<li>
			<span class={state}>{states[state]}</span>
			<span class="widths">{printIntervalSet(widthsFrom(one.widths))}</span>
			<span
				>{[one.page, heldInWords(one), heldAs(one), since(one)]
					.filter((text) => text !== '')
					.join(', ')}</span
			>
			<span class="acts">
				<Button look="quiet" onclick={() => void save(one, 'html')}>Report</Button>
				<Button look="quiet" onclick={() => void save(one, 'json')}>as JSON</Button>
				<Button look="quiet" onclick={() => void holding.drop(one)}>Delete</Button>
			</span>
		</li>
	{:else}
		<li class="none">
			No Holds yet. A Hold is measured again after every edit, and any change is reported at once.
		</li>
	{/each}
</ul>

<style>
	form,
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.75rem;
		align-items: center;
		min-height: 2rem;
		padding: 0 0.5rem;
		font-size: 0.8125rem;
	}

	ul {
		width: min(44rem, 90vw);
		margin: 0.25rem 0 0;
		padding: 0;
		border-top: 1px solid var(--hair);
		list-style: none;
	}

	select {
		min-height: 1.5rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
	}

	.widths {
		color: var(--ochre);
		font-family: var(--mono);
	}

	.acts {
		display: flex;
		margin-left: auto;
	}

	.broken,
	.trouble {
		color: var(--rubric);
		font-weight: 600;
	}

	.holds {
		color: var(--verdigris);
	}

	.unknown,
	.none {
		color: var(--ink-2);
	}
</style>
