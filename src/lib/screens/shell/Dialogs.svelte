<script lang="ts" module>
	/** The open dialog of those that every screen has, or none. */
	export type Open =
		null | 'find' | 'keys' | 'new' | { readonly changes: string } | { readonly file: string };
</script>

<script lang="ts">
	import { insist } from '$lib/session/insist.ts';
	import type { KeyMap } from '$lib/session/keys.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import Find from './Find.svelte';
	import type { Find as Found } from './finds.ts';
	import Keys from './Keys.svelte';

	interface Props {
		open: Open;
		site: SiteState;
		page: PageState;
		keys: KeyMap;
		/** Everything that can be found. */
		finds: Iterable<Found>;
		/** Inserts a property at the sheet's caret. */
		oninsert: (property: string) => void;
		/** Called when a file was made: a page, or something that the sheet can show. */
		onmade: (path: string, kind: 'page' | 'file') => void;
		/** Called when a file was copied. */
		oncopied: (from: string, to: string) => void;
	}

	let { open = $bindable(), site, page, keys, finds, oninsert, onmade, oncopied }: Props = $props();

	/** A dialog opened by one that closes stays open. */
	const closing = (was: Open) => (): void => {
		if (open === was) open = null;
	};
</script>

{#if open === 'find'}
	<Find {finds} {oninsert} onclose={closing(open)} />
{:else if open === 'keys'}
	<Keys {keys} onclose={closing(open)} />
{:else if open === 'new'}
	{#await insist(() => import('$lib/features/files/NewFile.svelte')) then { default: NewFile }}
		<NewFile {site} {page} {onmade} onclose={closing('new')} />
	{/await}
{:else if open && 'file' in open}
	{@const { file } = open}
	{@const close = closing(open)}
	{#await insist(() => import('$lib/features/files/ChangeFile.svelte')) then { default: ChangeFile }}
		<ChangeFile {site} path={file} oncopied={(to) => oncopied(file, to)} onclose={close} />
	{/await}
{:else if open}
	{@const shown = open}
	{#await insist(() => import('./Changes.svelte')) then { default: Changes }}
		<Changes {site} path={shown.changes} onclose={closing(shown)} />
	{/await}
{/if}
