<script lang="ts">
	import type { PageState } from '$lib/session/page.svelte.ts';
	import { leftoversOf, type Leftover } from './leftovers.ts';
	import { lineStarts, placeAt, type FilePlace } from '$lib/core/text/index.ts';
	import type { FileText } from '$lib/session/texts.svelte.ts';
	import Button from '$lib/ui/Button.svelte';
	import Dialog from '$lib/ui/Dialog.svelte';
	import { later } from '$lib/session/later.svelte.ts';
	import Trouble from '$lib/ui/Trouble.svelte';

	interface Props {
		page: PageState;
		file: FileText;
		onplace: (place: FilePlace) => void;
		onclose: () => void;
	}

	let { page, file, onplace, onclose }: Props = $props();

	const answer = later<FileText, readonly Leftover[]>({
		question: () => file,
		about: ({ path }) => path,
		ask: (of) => leftoversOf(of, page)
	});
	const found = $derived(answer.value ?? null);
	const starts = $derived(lineStarts(file.text));
</script>

<Dialog title="Leftovers of {file.path}" {onclose}>
	{#snippet children(close)}
		<Trouble sentence={answer.error} />
		<p role="status">
			{answer.error !== ''
				? ''
				: found === null
					? 'Every rule is tried on every page that has the file…'
					: found.length === 0
						? 'Every rule matches something on some page that has this file.'
						: `${found.length === 1 ? 'One rule matches' : `${found.length} rules match`} nothing, on no page that has this file, whatever is hovered or focused.`}
		</p>
		<ul>
			{#each found ?? [] as { offset, selector, sure } (offset)}
				<li>
					<button
						type="button"
						onclick={() => {
							close();
							onplace({ path: file.path, offset });
						}}
					>
						<span>{placeAt(starts, offset).line}</span> <code>{selector}</code> <i>{sure}</i>
					</button>
				</li>
			{/each}
		</ul>
		<Button onclick={close}>Close</Button>
	{/snippet}
</Dialog>

<style>
	ul {
		max-height: min(22.5rem, 50vh);
		margin: 0.625rem 0 0.875rem;
		overflow: auto;
		border-block: 1px solid var(--hair);
	}

	button {
		width: 100%;
		min-height: 1.75rem;
		border: 0;
		background: none;
		text-align: left;
		cursor: pointer;
	}

	button:hover {
		background: var(--tint);
	}

	code,
	span {
		font: 0.8125rem/1.4 var(--mono);
	}

	span {
		display: inline-block;
		min-width: 5ch;
	}

	span,
	i {
		color: var(--ink-2);
		font-style: normal;
	}

	i {
		margin-left: 0.625rem;
		font-size: 0.8125rem;
	}
</style>
