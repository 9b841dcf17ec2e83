import type { Component } from 'svelte';
import type { Workbench } from '$lib/session/workbench.ts';
import Bench from './Bench/Bench.svelte';

type ScreenComponent = Component<{ workbench: Workbench }>;

/** A screen of the application: the spine, addresses and Find have it from here. */
export interface Screen {
	/** Its name in addresses. */
	readonly screen: string;
	/** Its name for people. */
	readonly name: string;
	/** Whether it has frames, in which something is selected. */
	readonly hasFrames: boolean;
	/** What shows it, where that came with the application. */
	readonly component?: ScreenComponent;
	/** Brings what shows it. */
	readonly load: () => Promise<{ default: ScreenComponent }>;
}

/** What an address without a known screen leads to. */
const FIRST: Screen = {
	screen: 'bench',
	name: 'Bench',
	hasFrames: true,
	component: Bench,
	load: () => Promise.resolve({ default: Bench })
};

/** Every screen, in the order of the spine. */
export const SCREENS: readonly Screen[] = [
	FIRST,
	{ screen: 'type', name: 'Type', hasFrames: true, load: () => import('./Type/Type.svelte') },
	{ screen: 'site', name: 'Site', hasFrames: false, load: () => import('./Site/Site.svelte') }
];

/** The screen that an address names. */
export const screenOf = (name: string | undefined): Screen =>
	SCREENS.find(({ screen }) => screen === name) ?? FIRST;
