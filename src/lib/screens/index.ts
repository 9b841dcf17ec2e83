import type { Component } from 'svelte';
import type { Workbench } from '$lib/session/workbench.ts';
import Bench from './Bench/Bench.svelte';
import { SCREEN_NAMES, type ScreenName } from './names.ts';

type ScreenComponent = Component<{ workbench: Workbench }>;

/** A screen of the application: the spine, addresses and Find have it from here. */
export interface Screen {
	/** Its name in addresses. */
	readonly screen: ScreenName;
	/** Its name for people. */
	readonly name: string;
	/** Whether it has frames, in which something is selected. */
	readonly hasFrames: boolean;
	/** What shows it: that itself where it came with the application, else what brings it. */
	readonly shown:
		{ readonly component: ScreenComponent } | { readonly load: () => Promise<{ default: ScreenComponent }> };
}

/** What an address without a known screen leads to. */
const FIRST: Screen = {
	screen: 'bench',
	name: 'Bench',
	hasFrames: SCREEN_NAMES.bench,
	shown: { component: Bench }
};

/** Every screen, in the order of the spine. */
export const SCREENS: readonly Screen[] = [
	FIRST,
	{
		screen: 'type',
		name: 'Type',
		hasFrames: SCREEN_NAMES.type,
		shown: { load: () => import('./Type/Type.svelte') }
	},
	{
		screen: 'site',
		name: 'Site',
		hasFrames: SCREEN_NAMES.site,
		shown: { load: () => import('./Site/Site.svelte') }
	}
];

/** The screen that an address names. */
export const screenOf = (name: string | undefined): Screen =>
	SCREENS.find(({ screen }) => screen === name) ?? FIRST;
