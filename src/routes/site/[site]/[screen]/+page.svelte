<script lang="ts">
	import { goto, replaceState } from '$app/navigation';
	import { page as route } from '$app/state';
	import { perform, pressOf, type KeyMap, type Press } from '$lib/state/keys.ts';
	import { PageState } from '$lib/state/page.svelte.ts';
	import { stageNotice } from '$lib/state/stages.svelte.ts';
	import Bench from '$lib/screens/Bench/Bench.svelte';
	import Keys from '$lib/screens/shell/Keys.svelte';
	import Masthead from '$lib/screens/shell/Masthead.svelte';
	import Stale from '$lib/screens/shell/Stale.svelte';
	import Site from '$lib/screens/Site/Site.svelte';
	import Spine from '$lib/ui/Spine.svelte';

	let { data } = $props();

	const SCREENS = [
		{ name: 'Bench', screen: 'bench' },
		{ name: 'Site', screen: 'site' }
	] as const;

	const site = $derived(data.site);
	const screen = $derived(route.params.screen);
	const pages = $derived(site.files.filter(({ kind }) => kind === 'page').map(({ path }) => path));
	const asked = $derived(route.url.searchParams.get('page'));
	const path = $derived(pages.find((one) => one === asked) ?? firstPage(pages));
	const page = $derived(new PageState(site, path));
	let file = $derived(route.url.searchParams.get('file') ?? '');
	let keys = $state.raw<KeyMap>({});
	let keysOpen = $state(false);
	const allKeys = $derived<KeyMap>({
		...keys,
		save: { name: 'Save all', does: () => void site.saveAll() },
		'?': { name: 'All keys', does: () => (keysOpen = true) }
	});

	/** The page a visitor would come to first. */
	function firstPage(paths: readonly string[]): string {
		const named = (pattern: RegExp) => paths.find((one) => pattern.test(one));
		return named(/^(index|home)\.\w+$/i) ?? named(/^[^/]+$/) ?? paths[0] ?? '';
	}

	const href = (to: string, pagePath: string, filePath = ''): string =>
		`/site/${site.id}/${to}?${new URLSearchParams({ page: pagePath, ...(filePath ? { file: filePath } : {}) }).toString()}`;

	function choose(chosen: string): void {
		file = chosen;
		replaceState(href(screen ?? 'bench', path, chosen), {});
	}

	const press = (event: Press): boolean => perform(allKeys, event);
</script>

<svelte:head><title>{site.name} · Vantaggio</title></svelte:head>
<svelte:window
	onkeydown={(event) => {
		if (press(pressOf(event))) event.preventDefault();
	}}
	onkeyup={(event) => press(pressOf(event))}
	onbeforeunload={(event) => {
		if (site.draftTrouble && site.dirty.length > 0) event.preventDefault();
	}}
/>

<div class="desk">
	<Spine
		screens={SCREENS.map(({ name, screen: to }) => ({
			name,
			href: href(to, path, file),
			here: to === screen
		}))}
	/>
	<Masthead
		{site}
		{pages}
		page={path}
		notice={stageNotice.sentence}
		primary={screen === 'bench'}
		onkeys={() => (keysOpen = true)}
		onpage={(chosen) => goto(href(screen ?? 'bench', chosen, file))}
	/>
	{#if screen === 'site'}
		<Site {site} sites={data.sites} benchOf={(pagePath, filePath) => href('bench', pagePath, filePath)} />
	{:else}
		{#key site}
			<Bench
				{site}
				{page}
				{file}
				onfile={choose}
				onpage={(chosen) => goto(href('bench', chosen, file))}
				config={data.stages}
				vantagesHref="{href('site', path)}#vantages"
				bindKeys={(bound) => (keys = bound)}
				onpress={press}
			/>
		{/key}
	{/if}
	<Stale {site} />
	{#if keysOpen}<Keys keys={allKeys} onclose={() => (keysOpen = false)} />{/if}
</div>

<style>
	.desk {
		display: grid;
		grid-template:
			'spine masthead' 46px
			'spine measure' auto
			'spine work' minmax(0, 1fr)
			'spine foot' auto / 46px minmax(0, 1fr);
		height: 100vh;
	}
</style>
