import type { Component } from 'svelte';
import type { FramesView } from '$lib/features/frames/view.svelte.ts';
import type { Workbench } from '$lib/session/workbench.ts';
import Bench from './Bench/Bench.svelte';
import { SCREEN_NAMES, type ScreenName } from './names.ts';

/** `view` is what all screens with frames share. */
type ScreenComponent = Component<{ workbench: Workbench; view: FramesView }>;

/** A screen of the application, for the spine, addresses and Find. */
export interface Screen {
	/** Its name in addresses. */
	readonly screen: ScreenName;
	/** Its name for people. */
	readonly name: string;
	/** Whether it has frames, with a selection. */
	readonly hasFrames: boolean;
	/** Its component, or what loads it where it did not come with the application. */
	readonly shown:
		{ readonly component: ScreenComponent } | { readonly load: () => Promise<{ default: ScreenComponent }> };
}

const screen = (of: ScreenName, name: string, shown: Screen['shown']): Screen => ({
	screen: of,
	name,
	hasFrames: SCREEN_NAMES[of],
	shown
});

/** The screen for an address without a known one. */
const FIRST = screen('bench', 'Bench', { component: Bench });

/** Every screen, in the order of the spine. */
export const SCREENS: readonly Screen[] = [
	FIRST,
	screen('type', 'Type', { load: () => import('./Type/Type.svelte') }),
	screen('site', 'Site', { load: () => import('./Site/Site.svelte') })
];

/** The screen that an address names. */
export const screenOf = (name: string | undefined): Screen =>
	SCREENS.find(({ screen }) => screen === name) ?? FIRST;
