import { createContext } from 'svelte';
import type { SiteState } from './site.svelte.ts';

const [openSite, provide] = createContext<() => SiteState>();

/** Provides the open site to child components; to be called during component initialisation. */
export const provideSite = provide;

/** The open site, in a component that is destroyed when another is opened; to be called during initialisation. */
export const getSite = (): SiteState => openSite()();
