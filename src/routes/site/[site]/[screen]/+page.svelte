<script lang="ts">
	import { insist, loadQuietly } from '$lib/session/insist.ts';
	import { goto } from '$app/navigation';
	import { page as route } from '$app/state';
	import { perform, pressOf, releaseAll, type KeyMap, type Press } from '$lib/session/keys.ts';
	import { onDestroy, untrack } from 'svelte';
	import { firstPage } from '$lib/core/site/index.ts';
	import { printPaths, readPaths, type ElementPath, type Page } from '$lib/core/html/index.ts';
	import { provideSite } from '$lib/session/context.ts';
	import { FollowedSelections } from '$lib/session/followed.ts';
	import { findsOf } from '$lib/screens/shell/finds.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import { paced } from '$lib/session/paced.ts';
	import { PageState } from '$lib/session/page.svelte.ts';
	import { screenAddress } from '$lib/screens/address.ts';
	import { SCREENS, screenOf } from '$lib/screens/index.ts';
	import type { Workbench } from '$lib/session/workbench.ts';
	import Dialogs, { type Open } from '$lib/screens/shell/Dialogs.svelte';
	import Masthead from '$lib/screens/shell/Masthead.svelte';
	import Stale from '$lib/screens/shell/Stale.svelte';
	import Work from '$lib/screens/shell/Work.svelte';
	import { siteKeys } from '$lib/screens/shell/siteKeys.ts';
	import Spine from '$lib/ui/Spine.svelte';
	import { turns } from '$lib/ui/turns.svelte.ts';

	let { data } = $props();

	const site = $derived(data.site);
	provideSite(() => site);
	/** The page requested last. */
	let opening = '';
	// All screens are one page, which is destroyed when the site is left.
	onDestroy(() => {
		opening = '';
		site.close();
	});
	const shown = $derived(screenOf(route.params.screen));
	const { screen, hasFrames } = $derived(shown);
	const pages = $derived(site.files.filter(({ kind }) => kind === 'page').map(({ path }) => path));
	/** A file named in the address, by its present path. */
	const asked = (name: 'page' | 'file'): string => site.pathNow(route.url.searchParams.get(name) ?? '');
	const path = $derived(pages.find((one) => one === asked('page')) ?? firstPage(pages));
	const page = $derived(new PageState(site, path));
	let file = $derived(asked('file'));
	/** First comes what surrounds every screen, then the page is read, and then the screen is shown. */
	const turn = turns(
		2,
		() => paced(page.readAhead()),
		() => page.conditions
	);
	let keys = $state.raw<KeyMap>({});
	let masthead = $state<Masthead>();
	let dialog = $state.raw<Open>(null);
	let place = $state.raw<FilePlace | null>(null);
	const allKeys = $derived<KeyMap>({
		...keys,
		...siteKeys(site, {
			dialog: (which) => (dialog = which),
			pages: () => masthead?.toPages(),
			muted: () => masthead?.openMuted()
		})
	});

	/** What may be needed later is loaded when idle, so that it is there when the server is not. */
	$effect(() => {
		const gone = new AbortController();
		const { stageKeeper } = site;
		const threads = [() => Promise.resolve(stageKeeper.beginMeasuring())];
		void insist(() => import('$lib/screens/parts.ts')).then(({ PARTS }) =>
			loadQuietly([...PARTS, ...threads], gone.signal)
		);
		return () => gone.abort();
	});

	const followed = new FollowedSelections();
	let selected = $derived(
		followed.at(route.state.selection, path) ?? readPaths(route.url.searchParams.get('at') ?? '')
	);

	/** The page when the followed selection was last right, with its path. */
	let last: { readonly path: string; readonly page: Page } | undefined;
	$effect(() => {
		if (turn.done < 2) return;
		const now = { path: page.path, page: page.page };
		untrack(() => {
			const before = last;
			last = now;
			if (!before || before.path !== now.path || before.page === now.page) return;
			const own = route.state.selection ?? followed.keep(path, selected);
			followed.follow(path, before.page, now.page);
			const moved = followed.at(own, path) ?? [];
			if (printPaths(moved) === printPaths(selected)) return;
			selected = moved;
			void go(href(screen, path, file, moved), own, true);
		});
	});

	/** Goes to an address of this site, with the number of its selection. */
	const go = (to: string, selection: number, replaceState = false): Promise<void> =>
		goto(to, { replaceState, keepFocus: true, noScroll: true, state: { selection } });

	const href = (to: string, pagePath: string, filePath = '', at: readonly ElementPath[] = []): string =>
		screenAddress(site.id, to, pagePath, filePath, at);

	function choose(chosen: string): void {
		file = chosen;
		void go(href(screen, path, chosen, selected), followed.keep(path, selected), true);
	}

	/** Goes to another page of the site once it is read, with a file in the sheet's place. */
	async function open(chosen: string, beside = file): Promise<void> {
		opening = chosen;
		await paced(new PageState(site, chosen).readAhead());
		if (opening === chosen) await goto(href(screen, chosen, beside));
	}

	/** Shows a place of a file on the Bench, with the caret there. */
	async function show(requested: FilePlace): Promise<void> {
		if (screen === 'bench') choose(requested.path);
		else await goto(href('bench', path, requested.path, selected));
		place = requested;
	}

	/** The address is updated when files are renamed. */
	$effect(() => {
		const isRenamed = (['page', 'file'] as const).some(
			(name) => asked(name) !== (route.url.searchParams.get(name) ?? '')
		);
		if (isRenamed) untrack(() => void go(href(screen, path, file), followed.keep(path, selected), true));
	});

	/** Shows the copy where the original was shown. */
	function oncopied(from: string, to: string): void {
		if (path === from) void open(to);
		else if (file === from) choose(to);
	}

	const select = (paths: readonly ElementPath[]): Promise<void> =>
		go(href(hasFrames ? screen : 'bench', path, file, paths), followed.keep(path, paths));

	const finds = $derived(
		dialog === 'find'
			? findsOf(site, page, SCREENS, allKeys, {
					screen: (to) => void goto(href(to, path, file, selected)),
					page: (to) => void open(to),
					create: () => (dialog = 'new'),
					change: (of) => (dialog = { file: of }),
					file: (to, offset) => void show({ path: to, offset, beside: true }),
					width: (px) => (site.carriage.width = px),
					element: (to) => void select([to]).then(() => (site.selectionView.reveal = [...to]))
				})
			: []
	);

	const press = (event: Press): boolean => perform(allKeys, event);

	const workbench: Workbench = {
		get site() {
			return site;
		},
		get sites() {
			return data.sites;
		},
		get page() {
			return page;
		},
		get file() {
			return file;
		},
		get place() {
			return place;
		},
		get selected() {
			return selected;
		},
		get config() {
			return data.stages;
		},
		choose,
		show: (requested) => void show(requested),
		create: () => (dialog = 'new'),
		change: (of) => (dialog = { file: of }),
		open: (chosen) => void open(chosen),
		select: (paths) => void select(paths),
		href: (to, pagePath = path, filePath = '') => href(to, pagePath, filePath),
		bindKeys: (bound) => (keys = bound),
		press
	};
</script>

<svelte:head><title>{site.name} · Vantaggio</title></svelte:head>
<svelte:window
	onkeydown={(event) => {
		if (press(pressOf(event))) event.preventDefault();
	}}
	onkeyup={(event) => press(pressOf(event))}
	onblur={() => releaseAll(allKeys)}
	onbeforeunload={(event) => {
		if (site.draftTrouble && site.dirty.length > 0) event.preventDefault();
	}}
/>

<div class="desk">
	<Spine
		screens={SCREENS.map(({ name, screen: to, hasFrames: has }) => ({
			name,
			href: href(to, path, file, has ? selected : []),
			here: to === screen
		}))}
	/>
	<Masthead
		bind:this={masthead}
		{site}
		{pages}
		page={path}
		primary={screen === 'bench'}
		onkeys={() => (dialog = 'keys')}
		onfind={() => (dialog = 'find')}
		onchanges={() => (dialog = { changes: file })}
		onpage={(chosen) => void open(chosen)}
	/>
	{#key site}
		{#if turn.done === 2}<Work {workbench} screen={shown} />{/if}
	{/key}
	<Stale {site} oncompare={(of) => (dialog = { changes: of })} />
	<Dialogs
		bind:open={dialog}
		{site}
		{page}
		keys={allKeys}
		{finds}
		oninsert={(property) => site.actions.insert(property)}
		onmade={(made, kind) => void (kind === 'page' ? open(made, made) : show({ path: made, offset: 0 }))}
		{oncopied}
	/>
</div>

<style>
	.desk {
		display: grid;
		grid-template:
			'spine masthead' 2.875rem
			'spine measure' auto
			'spine work' minmax(0, 1fr)
			'spine foot' auto / 2.875rem minmax(0, 1fr);
		height: 100vh;
	}
</style>
