<script lang="ts">
	import type { Result } from '$lib/core/text/index.ts';
	import { getSite } from '$lib/session/context.ts';
	import { elementAt, nameOfElement, type ElementPath } from '$lib/core/html/index.ts';
	import { changeInWords, type StagedState } from '$lib/core/staged/index.ts';
	import { freeName } from '$lib/core/vantage/index.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import { PINNED_STATES } from '$lib/session/states.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import NotKept from '$lib/ui/NotKept.svelte';
	import StagedForm from './StagedForm.svelte';

	interface Props {
		site: SiteState;
		page: PageState;
		selected: readonly ElementPath[];
		/** Names of frames by their ids. */
		named: ReadonlyMap<string, string>;
	}

	let { site, page, selected, named }: Props = $props();
	const { states } = getSite();

	const kept = $derived(site.kept.staged);
	const here = $derived(kept.list.filter(({ page: only }) => only === null || only === page.path));
	const path = $derived(selected[0]);
	let frame = $state('');
	let editing = $state.raw<{ state: StagedState; old: string | null } | null>(null);

	const nameAt = (at: ElementPath): string => {
		const element = elementAt(page.page, at);
		return element ? nameOfElement(element) : 'nothing any more';
	};

	/** A first selector for a new state: the selection, by id or name. */
	function fresh(): StagedState {
		const selector = path ? nameAt(path).replace(/^[^#]*(#[^.]+).*$/, '$1') : '';
		return {
			name: freeName(
				'Menu open',
				kept.list.map(({ name }) => name)
			),
			page: null,
			changes: [{ kind: 'add-class', selector, name: 'open' }]
		};
	}

	async function keep(state: StagedState, old: string | null): Promise<void> {
		const { ok } = await kept.keep(
			(list) => (old === null ? [...list, state] : list.map((one) => (one.name === old ? state : one))),
			old === null ? `${state.name} added` : `${state.name} changed`
		);
		if (!ok) return;
		if (old !== null) states.stage(old, false);
		states.stage(state.name, true);
		editing = null;
	}

	const drop = (name: string): Promise<Result> => {
		states.stage(name, false);
		return kept.keep((list) => list.filter((one) => one.name !== name), `${name} deleted`);
	};
</script>

<h2>Pinned</h2>
{#if path}
	<div class="row">
		<b>{nameAt(path)}</b>
		{#each PINNED_STATES as state (state)}
			<label>
				<input
					type="checkbox"
					checked={states.has(path, state, frame || null)}
					onchange={() => states.toggle(path, state, frame || null)}
				/>
				{state}
			</label>
		{/each}
		<label>
			in
			<select bind:value={frame}>
				<option value="">all frames</option>
				{#each named as [id, name] (id)}<option value={id}>{name}</option>{/each}
			</select>
		</label>
	</div>
{:else if states.pins.length === 0}
	<p class="hint">Select an element to pin hover, focus or active on it.</p>
{/if}
<ul>
	{#each states.pins as pin (`${pin.path.join('.')} ${pin.state} ${pin.frame ?? ''}`)}
		<li>
			{pin.state} on <b>{nameAt(pin.path)}</b>
			{pin.frame === null ? 'in all frames' : `in ${named.get(pin.frame) ?? pin.frame}`}
			<Button look="quiet" onclick={() => states.toggle(pin.path, pin.state, pin.frame)}>Unpin</Button>
		</li>
	{/each}
</ul>

<h2>Staged</h2>
<p class="hint">Changes to classes and attributes that a script would make, applied in the frames only.</p>
<ul>
	{#each here as state, i (i)}
		<li>
			<label>
				<input
					type="checkbox"
					checked={states.staged.includes(state.name)}
					onchange={(event) => states.stage(state.name, event.currentTarget.checked)}
				/>
				{state.name}
			</label>
			<span title={state.changes.map(changeInWords).join('\n')}
				>{state.changes.map(changeInWords).join('; ')}</span
			>
			<Button look="quiet" onclick={() => (editing = { state, old: state.name })}>Change</Button>
			<Button look="quiet" onclick={() => drop(state.name)}>Delete</Button>
		</li>
	{/each}
</ul>
<NotKept list={kept} />
<p role="status">
	{#if kept.before}
		{kept.before.change}. <Button look="quiet" onclick={() => kept.undo()}>Undo</Button>
	{/if}
</p>
<Button onclick={() => (editing = { state: fresh(), old: null })}>New staged state</Button>

{#if editing}
	<StagedForm
		state={editing.state}
		page={page.path}
		taken={kept.list.map(({ name }) => name).filter((name) => name !== editing?.old)}
		trouble={kept.trouble}
		onkeep={(state) => keep(state, editing?.old ?? null)}
		onclose={() => (editing = null)}
	/>
{/if}

<style>
	h2 {
		margin: 0.25rem 0;
		font-size: 0.9375rem;
	}

	.row,
	label,
	li {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.875rem;
		align-items: center;
		min-height: 1.625rem;
	}

	label {
		gap: 0.375rem;
	}

	b {
		font: 600 0.8125rem/1.4 var(--mono);
	}

	span {
		flex: 1;
		min-width: 7.5rem;
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
	}

	span,
	.hint {
		color: var(--ink-2);
	}

	ul {
		margin-bottom: 0.375rem;
	}
</style>
