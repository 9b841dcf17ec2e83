<script lang="ts">
	import { getSite } from '$lib/session/context.ts';
	import { switchesInWords } from '$lib/core/vantage/index.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { Snippet } from 'svelte';
	import Menu from '$lib/ui/Menu.svelte';
	import Switches from './Switches.svelte';

	interface Props {
		site: SiteState;
		inStep: boolean;
		/** The address where the site's vantages are. */
		vantagesHref: string;
		/** The menu of Holds, where the screen has one. */
		holds: Snippet | undefined;
		onholds: () => void;
	}

	let { site, inStep = $bindable(), vantagesHref, holds, onholds }: Props = $props();
	const { before, states, viewing } = getSite();

	let switches: Switches;

	export const openSwitches = (): void => switches.open();

	const on = $derived([
		...switchesInWords(viewing.switches),
		...(states.pins.length > 0
			? [`${[...new Set(states.pins.map(({ state }) => state))].join(', ')} pinned`]
			: []),
		...states.staged
	]);
</script>

<div class="foot" role="group" aria-label="View of the frames">
	<label>
		Lead as
		<select
			value={viewing.lead ?? ''}
			onchange={(event) => viewing.choose(site.vantages.named(event.currentTarget.value) ?? null)}
			title="V, Shift V; digits choose one, 0 the plain window"
		>
			<option value="">plain window</option>
			{#each site.vantages.list as { id, fields } (id)}<option>{fields.name}</option>{/each}
		</select>
	</label>
	<a href={vantagesHref}>Vantages</a>
	<Switches bind:this={switches} />
	{#if holds}<Menu
			label={site.kept.hold.list.length > 0 ? `Holds ${site.kept.hold.list.length}` : 'Holds'}
			up
			onopen={onholds}
		>
			{@render holds()}
		</Menu>{/if}
	<label>
		While P is held:
		<select
			aria-label="While P is held, show"
			value={before.revision ?? ''}
			onfocus={() => before.look()}
			onchange={(event) => before.choose(Number(event.currentTarget.value) || null)}
		>
			<option value="">last saved</option>
			{#each before.list as { number, message, at } (number)}
				<option value={number}
					>revision {number}, {message || 'saved'} {at.slice(0, 16).replace('T', ' ')}</option
				>
			{/each}
		</select>
	</label>
	<button
		type="button"
		class="use"
		aria-pressed={viewing.use}
		title="U; back with Escape"
		onclick={() => (viewing.use = !viewing.use)}>Use</button
	>
	<p class="on" role="status">
		{#if viewing.use}<b>using the page, Esc to leave</b>{/if}
		{#if viewing.before}<b>{viewing.before === 'edit' ? 'as before the last edit' : before.words}</b>{/if}
		{#if on.length > 0}
			<b>{on.join(' · ')}</b>
			<button type="button" onclick={() => viewing.allOff()} title="X">all off</button>
		{/if}
	</p>
	<label class="step"><input type="checkbox" bind:checked={inStep} /> scroll in step</label>
</div>

<style>
	.foot {
		position: relative;
		z-index: 1;
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.625rem;
		align-items: center;
		min-height: 2rem;
		padding: 0 1rem;
		border-top: 1px solid var(--hair);
		color: var(--ink-2);
		font-size: 0.8125rem;
		white-space: nowrap;
	}

	label {
		display: flex;
		gap: 0.375rem;
		align-items: center;
		min-height: 1.5rem;
	}

	select {
		max-width: 17ch;
		background: var(--paper);
	}

	a {
		color: var(--blue);
		line-height: 1.5rem;
		text-underline-offset: 3px;
	}

	.on {
		flex: 1 1 auto;
		overflow: hidden;
		color: var(--ochre);
		text-overflow: ellipsis;
	}

	button {
		min-height: 1.5rem;
		border: 0;
		background: none;
		color: var(--ochre);
		text-decoration: underline;
		text-underline-offset: 3px;
		cursor: pointer;
	}

	.use {
		padding: 0 0.5rem;
		border: 1px solid var(--hair);
		color: var(--ink);
		text-decoration: none;
	}

	.use[aria-pressed='true'] {
		border-color: var(--ink);
		background: var(--ink);
		color: var(--sheet);
	}
</style>
