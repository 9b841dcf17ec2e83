<script lang="ts">
	import type { ElementPath } from '$lib/core/html/index.ts';
	import type { FilePlace } from '$lib/core/text/index.ts';
	import type { TypeNote } from '$lib/core/type/index.ts';
	import { through } from '$lib/core/scale/index.ts';
	import type { Checked, TextStyle } from '$lib/inquiry/textStyles.ts';
	import type { PageState } from '$lib/session/page.svelte.ts';
	import type { SiteState } from '$lib/session/site.svelte.ts';
	import type { Typesetting } from './typesetting.svelte.ts';
	import Guarded from '$lib/ui/Guarded.svelte';
	import Tabs from '$lib/ui/Tabs.svelte';
	import NotKept from '$lib/ui/NotKept.svelte';
	import Checks from './Checks.svelte';
	import LengthPanel from './LengthPanel.svelte';
	import Lines from './Lines.svelte';
	import ScalePanel from './ScalePanel.svelte';
	import { SHOWN } from './shown.ts';
	import { tabsOf, type Tab } from './tabs.ts';
	import Texts from './Texts.svelte';

	interface Props {
		setting: Typesetting;
		site: SiteState;
		page: PageState;
		checked: readonly Checked[];
		/** What is wrong with the root's own size. */
		rootFault: TypeNote | undefined;
		/** The panel that is shown. */
		tab: Tab;
		/** The selected curve. */
		chosen: string;
		acts: {
			/** Another curve is to be selected. */
			readonly onchoose: (id: string) => void;
			readonly onselect: (path: ElementPath) => void;
			/** Begins to set a length. */
			readonly onlength: (path: ElementPath | undefined, property?: string) => void;
			/** A place in a file without the edit being tried. */
			readonly onplace: (place: FilePlace) => void;
		};
	}

	let { setting, site, page, checked, rootFault, tab = $bindable(), chosen, acts }: Props = $props();
	const { onchoose, onselect, onlength, onplace } = $derived(acts);

	const bad = $derived(checked.filter(({ zoom, notes }) => zoom !== null || notes.length > 0).length);
	const tabs = $derived(tabsOf(setting, bad));
	const shown = $derived(tabs.some(({ id }) => id === tab) ? tab : 'lines');

	/** Turns a stepped size into one line through its steps. */
	function throughSteps({ texts: [text], curve }: TextStyle): void {
		const found = through(curve, SHOWN);
		if (!found || !text) return;
		onlength(text.path);
		setting.putLength({ least: found.fluid.from, most: found.fluid.to, middle: { kind: 'between' } });
	}

	const toPlace = ({ path, offset }: FilePlace): void => onplace({ path, offset: page.inFile(path, offset) });
</script>

<section aria-label="Sizes">
	<Tabs label="What is shown of the sizes" {tabs} chosen={shown} onchoose={(id) => (tab = id as Tab)} />
	<div class="scroll" role="tabpanel" tabindex="0" aria-label={tabs.find(({ id }) => id === shown)?.name}>
		{#if setting.reading.trouble}<p class="trouble" role="alert">{setting.reading.trouble}</p>{/if}
		<NotKept list={site.kept.scale} />
		{#key shown}
			<Guarded name={tabs.find(({ id }) => id === shown)?.name ?? ''}>
				{#if shown === 'lines'}
					<Lines {setting} {site} {onplace} />
				{:else if shown === 'set' && setting.work === 'scale'}
					<ScalePanel {setting} />
				{:else if shown === 'set'}
					<LengthPanel {setting} onproperty={(property) => onlength(setting.length?.path, property)} />
				{:else if shown === 'checks'}
					<Checks {setting} {checked} root={rootFault} onplace={toPlace} {onchoose} />
				{:else}
					<Texts
						{setting}
						{chosen}
						{onchoose}
						{onselect}
						{onlength}
						onthrough={throughSteps}
						onplace={toPlace}
						placeOf={(file, offset) => page.placeInWords(file, offset)}
					/>
				{/if}
			</Guarded>
		{/key}
	</div>
</section>

<style>
	section {
		display: grid;
		grid-template-rows: auto minmax(0, 1fr);
		min-height: 0;
		border-left: 1px solid var(--hair);
		background: var(--sheet);
	}

	.scroll {
		padding: 0.5rem 1rem;
		overflow: auto;
	}

	.trouble {
		margin: 0 0 0.375rem;
		color: var(--rubric);
	}
</style>
