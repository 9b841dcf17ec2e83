<script lang="ts">
	import { KINDS, neither } from '$lib/core/findings/index.ts';
	import { usualGap } from '$lib/core/media/index.ts';
	import type { KindSetting } from '$lib/core/findings/settings.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { Sweeping } from './sweeping.svelte.ts';
	import NotKept from '$lib/ui/NotKept.svelte';

	interface Props {
		site: SiteState;
		sweeping: Sweeping;
	}

	let { site, sweeping }: Props = $props();

	const { finding } = $derived(site.kept);
	/** How far apart the halves of breakpoints usually are on the page, which is not a finding. */
	const usual = $derived(sweeping.swept ? usualGap(sweeping.swept.page.bands(sweeping.as)) : 0);
	const settingOf = (name: string): KindSetting =>
		finding.list.find(({ kind }) => kind === name) ?? { kind: name, on: true, limit: null };

	/** Stores the settings of a kind, unless they are the defaults. */
	function put(name: string, change: Partial<KindSetting>, title: string): void {
		void finding.keep((list) => {
			const next = { ...(list.find(({ kind }) => kind === name) ?? settingOf(name)), ...change };
			const others = list.filter(({ kind }) => kind !== name);
			return next.on && next.limit === null ? others : [...others, next];
		}, title);
	}

	function limit(name: string, text: string, own: number): void {
		const value = text.trim() === '' ? own : Number(text);
		if (Number.isFinite(value) && value >= 0)
			put(name, { limit: value === own ? null : value }, 'a limit changed');
	}
</script>

{#snippet end(name: 'from' | 'to')}
	<label class="limit"
		>{name}
		<input
			value={sweeping.stretch[name]}
			inputmode="numeric"
			maxlength="4"
			aria-label="Swept {name}, px"
			onchange={({ currentTarget }) => {
				sweeping.stretch = { ...sweeping.stretch, [name]: Number(currentTarget.value) };
				currentTarget.value = String(sweeping.stretch[name]);
			}}
		/></label
	>
{/snippet}

<fieldset>
	<legend>Widths that are swept, in this browser</legend>
	<div>{@render end('from')}{@render end('to')}<span>px</span></div>
</fieldset>
<fieldset>
	<legend>Kinds of findings, for this site</legend>
	{#each [neither, ...KINDS] as kind (kind.name)}
		{@const setting = settingOf(kind.name)}
		<div>
			<label>
				<input
					type="checkbox"
					checked={setting.on}
					onchange={({ currentTarget }) => put(kind.name, { on: currentTarget.checked }, 'a kind switched')}
				/>
				{kind.title}
			</label>
			{#if kind.limit}
				{@const { unit, below } = kind.limit}
				{@const value = kind.name === neither.name ? usual : kind.limit.value}
				<label class="limit">
					{below ? 'under' : 'over'}
					<input
						value={setting.limit ?? value}
						inputmode="decimal"
						maxlength="7"
						aria-label="{kind.title}: {below ? 'under' : 'over'}, {unit}"
						onchange={({ currentTarget }) => limit(kind.name, currentTarget.value, value)}
					/>
					{unit}
				</label>
			{/if}
		</div>
		{#if kind.name === neither.name && usual > 0}
			<p>The halves of this page’s breakpoints are usually {usual} px apart: that is taken as meant.</p>
		{/if}
	{/each}
	<NotKept list={finding} />
</fieldset>

<style>
	fieldset {
		margin: 0;
		padding: 0.25rem 0.5rem;
		border: 0;
		font-size: 0.8125rem;
	}

	legend {
		padding: 0;
		font-weight: 600;
	}

	div {
		display: flex;
		gap: 1rem;
		align-items: center;
		justify-content: space-between;
		min-height: 1.625rem;
	}

	p {
		max-width: 44ch;
		margin: 0 0 0.25rem 1.25rem;
		color: var(--ink-2);
	}

	.limit {
		color: var(--ink-2);
		white-space: nowrap;
	}

	.limit input {
		width: 3.5rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
		font-family: var(--mono);
		text-align: right;
	}
</style>
