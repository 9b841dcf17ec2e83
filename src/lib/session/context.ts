import { createContext } from 'svelte';
import type { SiteState } from './site.svelte.ts';

const [openSite, provide] = createContext<() => SiteState>();

/** Provides the open site to the components below; to be called while a component is set up. */
export const provideSite = provide;

/** The open site, in a component that goes when another is opened; to be called while it is set up. */
export const getSite = (): SiteState => openSite()();
