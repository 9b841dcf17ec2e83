import type { PageNames } from '../core/site/index.ts';
import { later, type Later } from './later.svelte.ts';
import type { PageState } from './page.svelte.ts';

/** What a page and its sheets have names for, as they are now; to be called while a component is set up. */
export const namesNow = (page: () => PageState): Later<PageNames> =>
	later({
		question: () => ({ page: page(), of: page().conditions }),
		about: (asked) => asked.page.path,
		ask: (asked) => asked.page.names()
	});
