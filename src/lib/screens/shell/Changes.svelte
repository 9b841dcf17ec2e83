<script lang="ts">
	import { untrack } from 'svelte';
	import { compare, type Compared } from '$lib/editor/comparing.ts';
	import { compareNames, counted } from '$lib/core/text/index.ts';
	import { api } from '$lib/session/api.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		site: SiteState;
		/** The file that is shown first. */
		path: string;
		onclose: () => void;
	}

	let { site, path: first, onclose }: Props = $props();

	const files = $derived([...site.texts.values()].sort((a, b) => compareNames(a.path, b.path)));
	// svelte-ignore state_referenced_locally (what it begins with)
	let path = $state(
		(site.saving.stale[0] ?? site.dirty.find((file) => file.path === first) ?? site.dirty[0])?.path ?? first
	);
	const file = $derived(site.texts.get(path) ?? files[0]);
	const stale = $derived(site.saving.stale.find((one) => one.path === file?.path));

	/** What a file is compared with: its saved text, the text saved elsewhere, or a revision. */
	let base = $state<'saved' | number>('saved');
	const revisions = later({
		question: () => site.revision,
		about: () => 'revisions',
		ask: () => api.revisions(site.id)
	});
	const revision = later({
		question: () => (base === 'saved' ? undefined : base),
		about: String,
		ask: (number) => api.revision(site.id, number)
	});
	const other = $derived(
		base === 'saved'
			? { text: stale?.text ?? file?.saved, called: stale ? 'as saved elsewhere' : 'as last saved' }
			: { text: file && revision.value?.[file.path], called: `as in revision ${base}` }
	);

	let compared = $state.raw<Compared>();
	let differing = $state(0);
	const show = (parent: HTMLElement) => {
		const [shown, { text, called }] = [file, other];
		if (!shown || text === undefined) return;
		return untrack(() => {
			const made = compare(parent, {
				base: text,
				called: `${shown.path} ${called}`,
				file: shown,
				changed: () => (differing = made.count)
			});
			compared = made;
			differing = made.count;
			return () => {
				compared = undefined;
				made.destroy();
			};
		});
	};
	$effect(() => {
		void file?.state;
		untrack(() => compared?.follow());
	});

	function discard(changed: readonly FileText[]): void {
		const all = changed.length === 1 ? changed[0]?.path : counted(changed.length, 'file');
		site.history.asOne(`Changes of ${all} discarded`, () => changed.forEach((one) => one.replace(one.saved)));
	}
</script>

<Dialog title="Changes" wide {onclose}>
	{#snippet children(close)}
		<div class="choice">
			<label
				>File
				<select bind:value={path}>
					{#each files as one (one.path)}
						<option value={one.path}>{one.path}{one.dirty ? ' · unsaved' : ''}</option>
					{/each}
				</select>
			</label>
			<label
				>compared with
				<select bind:value={base}>
					<option value="saved">{stale ? 'what was saved elsewhere' : 'what was last saved'}</option>
					{#each revisions.value ?? [] as { number, message, at } (number)}
						<option value={number}
							>revision {number}, {new Date(at).toLocaleString([], {
								dateStyle: 'medium',
								timeStyle: 'short'
							})}{message ? `, ${message}` : ''}</option
						>
					{/each}
				</select>
			</label>
			<span role="status"
				>{other.text === undefined
					? revision.isBusy
						? 'Reading the revision …'
						: 'The file was not there then.'
					: differing === 0
						? 'No difference.'
						: `${counted(differing, 'place')} ${differing === 1 ? 'differs' : 'differ'}.`}</span
			>
			<Button look="quiet" disabled={differing === 0} onclick={() => compared?.previous()}>Previous</Button>
			<Button look="quiet" disabled={differing === 0} onclick={() => compared?.next()}>Next</Button>
		</div>
		<Trouble sentence={revisions.error || revision.error} />
		{#if stale}
			<p class="stale">
				{stale.path} was saved elsewhere since you opened it. Take from the left what you want, line by line, then
				keep the right.
			</p>
		{/if}
		<div class="names" aria-hidden="true"><span>{other.called}</span><span>now</span></div>
		<div class="both" {@attach show}></div>
		<p class="acts">
			{#if stale}
				<Button look="primary" onclick={() => site.saving.settle(stale, 'mine')}>Keep the right side</Button>
				<Button onclick={() => site.saving.settle(stale, 'theirs')}>Use the left side</Button>
			{:else}
				<Button disabled={!file?.dirty} onclick={() => file && discard([file])}
					>Discard the changes of this file</Button
				>
				{#if site.dirty.length > 1}
					<Button onclick={() => discard(site.dirty)}
						>Discard the changes of {counted(site.dirty.length, 'file')}</Button
					>
				{/if}
			{/if}
			<Button onclick={close}>Close</Button>
			<span class="hint">Undo brings back what is discarded.</span>
		</p>
	{/snippet}
</Dialog>

<style>
	.choice,
	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.375rem 1rem;
		align-items: baseline;
	}

	.acts {
		margin: 0.75rem 0 0;
	}

	label {
		display: flex;
		gap: 0.5rem;
		align-items: baseline;
	}

	.choice {
		margin-top: 0.5rem;
	}

	select {
		max-width: 24rem;
		height: 1.75rem;
	}

	.hint,
	.names {
		color: var(--ink-2);
	}

	.stale {
		margin: 0.375rem 0 0;
		color: var(--rubric);
	}

	.names {
		display: grid;
		grid-template-columns: 1fr 1.6em 1fr;
		margin-top: 0.5rem;
		font-size: 0.8125rem;
	}

	.names span:last-child {
		grid-column: 3;
	}

	.both {
		max-height: 60vh;
		overflow: auto;
		border: 1px solid var(--hair);
	}
</style>
