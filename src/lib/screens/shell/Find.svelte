<script lang="ts">
	import { ranked } from '$lib/core/find/index.ts';
	import { insist } from '$lib/session/insist.ts';
	import type { Find } from './finds.ts';
	import Dialog from '$lib/ui/Dialog.svelte';

	interface Props {
		/** Everything that can be found. */
		finds: Iterable<Find>;
		/** Inserts a property at the caret. */
		oninsert: (property: string) => void;
		onclose: () => void;
	}

	let { finds, oninsert, onclose }: Props = $props();

	const MOST = 60;
	let properties = $state.raw<readonly Find[]>([]);
	$effect(() => {
		void insist(() => import('./propertyFinds.ts')).then((module) => {
			properties = module.propertyFinds((property) => oninsert(property));
		});
	});
	/** Iterated once, because the source may be a generator. */
	const own = $derived([...finds]);
	const all = $derived([...own, ...properties]);
	const id = $props.id();
	let query = $state('');
	let at = $state(0);
	const found = $derived(
		query.trim() === ''
			? all.filter(({ kind }) => kind === 'screen' || kind === 'page' || kind === 'action')
			: ranked(all, query, MOST)
	);
	const chosen = $derived(found[Math.min(at, found.length - 1)]);

	function go(close: () => void, find: Find): void {
		close();
		find.go();
	}

	function key(event: KeyboardEvent, close: () => void): void {
		const by = { ArrowDown: 1, ArrowUp: -1, PageDown: 8, PageUp: -8 }[event.key];
		if (by !== undefined) {
			event.preventDefault();
			at = Math.max(0, Math.min(found.length - 1, at + by));
		} else if (event.key === 'Enter' && chosen) {
			event.preventDefault();
			go(close, chosen);
		}
	}

	/** Keeps the chosen option in sight. */
	const inSight = (here: boolean) => (option: HTMLElement) => {
		if (here) option.scrollIntoView({ block: 'nearest' });
	};
</script>

<Dialog title="Find" {onclose}>
	{#snippet children(close)}
		<input
			type="text"
			role="combobox"
			aria-label="An element, rule, breakpoint, page, file, screen, action, or what a property is for"
			aria-expanded="true"
			aria-autocomplete="list"
			aria-controls="{id}-list"
			aria-activedescendant={chosen ? `${id}-${found.indexOf(chosen)}` : undefined}
			placeholder="An element, rule, breakpoint, page, file, screen, action, or what a property is for"
			autocomplete="off"
			spellcheck="false"
			bind:value={query}
			oninput={() => (at = 0)}
			onkeydown={(event) => key(event, close)}
		/>
		<ul id="{id}-list" role="listbox" aria-label="Found">
			{#each found as find, i (find)}
				<!-- svelte-ignore a11y_click_events_have_key_events (keys are the field's: the combobox pattern of WAI-ARIA) -->
				<li
					role="option"
					id="{id}-{i}"
					aria-selected={find === chosen}
					{@attach inSight(find === chosen)}
					onclick={() => go(close, find)}
				>
					<span class="kind">{find.kind}</span>
					<span class={['name', find.kind]}>{find.name}</span>
					<span class="also">{find.also ?? ''}</span>
					{#if find.key}<kbd>{find.key}</kbd>{/if}
				</li>
			{/each}
		</ul>
		<p class="count" role="status">
			{#if query.trim() !== ''}
				{found.length === 0
					? 'Nothing found. Elements of other pages are not searched.'
					: found.length === MOST
						? `the best ${MOST} matches`
						: `${found.length} found`}
			{/if}
		</p>
	{/snippet}
</Dialog>

<style>
	input {
		width: 100%;
		height: 2.25rem;
		margin: 0.75rem 0 0.5rem;
		padding: 0 0.25rem;
		border: 0;
		border-bottom: 1px solid var(--ink);
		background: none;
		font: 0.9375rem/1.2 var(--mono);
	}

	ul {
		height: min(26.25rem, 56vh);
		overflow-y: auto;
	}

	li {
		display: grid;
		grid-template-columns: 5.25rem minmax(0, auto) minmax(0, 1fr) auto;
		gap: 0.75rem;
		align-items: baseline;
		min-height: 1.75rem;
		padding: 0.25rem 0.5rem;
		white-space: nowrap;
		cursor: pointer;
	}

	li:hover {
		background: var(--tint);
	}

	li[aria-selected='true'] {
		background: var(--pick);
	}

	.kind,
	.also,
	.count {
		color: var(--ink-2);
	}

	.name,
	.also {
		overflow: hidden;
		text-overflow: ellipsis;
	}

	.name {
		max-width: 52ch;
	}

	.element,
	.rule,
	.breakpoint,
	kbd {
		font: 0.8125rem/1.4 var(--mono);
	}

	.count {
		min-height: 1.25rem;
	}
</style>
