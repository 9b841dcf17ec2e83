<script lang="ts">
	import { counted, sentenceOf } from '$lib/core/text/index.ts';
	import ChangedLines from '$lib/features/arrange/ChangedLines.svelte';
	import { linesOf } from '$lib/session/desk.ts';
	import { later } from '$lib/session/later.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import Field from '$lib/ui/Field.svelte';
	import Trouble from '$lib/ui/Trouble.svelte';
	import { change, copy, following, pathFor } from './changing.ts';

	interface Props {
		site: SiteState;
		/** The file that is renamed, copied or deleted. */
		path: string;
		/** Called when a copy was made. */
		oncopied: (path: string) => void;
		onclose: () => void;
	}

	/** The pause in typing the path before the consequences are looked up, ms. */
	const REST = 150;

	let { site, path, oncopied, onclose }: Props = $props();

	// svelte-ignore state_referenced_locally (what is asked for begins as it is)
	let entered = $state(path);
	let isDeleting = $state(false);
	let busy = $state(false);
	let refused = $state('');

	const isSame = $derived(entered.trim().replace(/^\/+/, '') === path);
	const to = $derived(isSame ? null : pathFor(site, path, entered));
	/** The requested path; null for none, undefined where it is not available. */
	const next = $derived(isDeleting ? null : to?.ok ? to.value : undefined);
	/** The consequences, for the present texts. */
	const follows = later({
		question: () =>
			next === undefined ? undefined : { to: next, texts: [...site.texts.values()].map(({ text }) => text) },
		about: (asked) => String(asked.to),
		ask: (asked) => following(site, { from: path, to: asked.to }),
		rest: REST
	});
	const lines = $derived(linesOf(site, follows.value?.edit ?? null));
	const left = $derived(follows.value?.left ?? []);
	const places = $derived(lines.reduce((sum, { hunks }) => sum + hunks.length, 0));
	const isUnsaved = $derived(site.texts.get(path)?.dirty ?? false);

	async function attempt(work: () => Promise<string | boolean>, close: () => void): Promise<void> {
		busy = true;
		refused = '';
		const made = await work();
		busy = false;
		if (typeof made === 'string') refused = made;
		else if (made) close();
	}

	const changed = async (): Promise<boolean> =>
		next !== undefined && (await change(site, { from: path, to: next }));

	async function copied(): Promise<string | boolean> {
		const made = to?.ok ? await copy(site, path, to.value) : undefined;
		if (made?.ok) oncopied(made.value);
		return made?.ok ?? (made ? sentenceOf(made) : false);
	}
</script>

<Dialog title={isDeleting ? `Delete ${path}` : `Rename, copy or delete ${path}`} {onclose}>
	{#snippet children(close)}
		<form
			onsubmit={(event) => {
				event.preventDefault();
				void attempt(changed, close);
			}}
		>
			{#if !isDeleting}
				<Field label="Path in the site">
					{#snippet control(id)}
						<input {id} type="text" bind:value={entered} spellcheck="false" autocomplete="off" />
					{/snippet}
				</Field>
			{/if}
			{#if follows.isBusy && !follows.value}
				<p>Looking for what leads to it…</p>
			{:else if lines.length > 0}
				<p>
					{counted(places, 'place')} in {counted(lines.length, 'file')}
					{isDeleting ? 'that bring it in' : 'that lead to it or from it'} will change:
				</p>
				<ChangedLines files={lines} most={12} />
			{:else if follows.value}
				<p>{isDeleting ? 'No page or sheet brings it in.' : 'Nothing else has to change.'}</p>
			{/if}
			{#if left.length > 0}
				<p class="left">
					{isDeleting ? 'Still referenced by' : 'Given, so left as they are, and still using the old path:'}
					{left.join(', ')}
				</p>
			{/if}
			{#if isDeleting && isUnsaved}
				<p class="left">It has unsaved changes. Save or discard them first.</p>
			{/if}
			<Trouble sentence={refused || follows.error || (to && !to.ok ? to.sentence : '')} />
			<p class="acts">
				{#if isDeleting}
					<Button look="primary" type="submit" disabled={busy || isUnsaved || !follows.value}
						>Delete the file</Button
					>
					<Button onclick={() => (isDeleting = false)}>Back</Button>
				{:else}
					<Button look="primary" type="submit" disabled={busy || !to?.ok || !follows.value}>Rename</Button>
					<Button disabled={busy || !to?.ok} onclick={() => attempt(copied, close)}>Copy to this path</Button>
					<Button disabled={busy} onclick={() => (isDeleting = true)}>Delete…</Button>
					<Button look="quiet" onclick={close}>Cancel</Button>
				{/if}
			</p>
		</form>
	{/snippet}
</Dialog>

<style>
	form {
		display: grid;
		gap: 0.75rem;
		width: min(34rem, 80vw);
		margin-top: 0.75rem;
	}

	input[type='text'] {
		width: 100%;
	}

	.left {
		color: var(--ochre);
		overflow-wrap: anywhere;
	}

	.acts {
		display: flex;
		flex-wrap: wrap;
		gap: 0.75rem;
		margin: 0.25rem 0 0;
	}
</style>
