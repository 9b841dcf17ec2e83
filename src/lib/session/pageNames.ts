import type { PageNames } from '../core/site/index.ts';
import { later, type Later } from './later.svelte.ts';
import type { PageState } from './page.svelte.ts';

/** The present names on a page and in its sheets; to be called during component initialisation. */
export const namesNow = (page: () => PageState): Later<PageNames> =>
	later({
		question: () => ({ page: page(), of: page().conditions }),
		about: (asked) => asked.page.path,
		ask: (asked) => asked.page.names()
	});
