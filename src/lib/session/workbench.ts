import type { SiteSummary } from '../api.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { FilePlace } from '../core/text/index.ts';
import type { KeyMap, Press } from './keys.ts';
import type { PageState } from './page.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import type { StageConfig } from './stages.svelte.ts';

/** What is open of a site, whichever screen shows it, and what a screen can request. */
export interface Workbench {
	readonly site: SiteState;
	/** All sites on the server. */
	readonly sites: readonly SiteSummary[];
	/** The page being viewed. */
	readonly page: PageState;
	/** The path of the file in the sheet's panel; '' for the first of the page. */
	readonly file: string;
	/** A place of a file to be shown; null where there is none. */
	readonly place: FilePlace | null;
	readonly selected: readonly ElementPath[];
	readonly config: StageConfig;
	/** Shows a file in the sheet's panel. */
	choose(file: string): void;
	/** Shows a place of a file on the Bench. */
	show(place: FilePlace): void;
	/** Opens the dialog for a new sheet, page or file. */
	create(): void;
	/** Opens the dialog for renaming, copying or deleting a file. */
	change(file: string): void;
	/** Opens another page on this screen. */
	open(page: string): void;
	select(paths: readonly ElementPath[]): void;
	/** The address of a screen with a page and a file beside it: the open ones where none are named. */
	href(screen: string, page?: string, file?: string): string;
	/** Sets the keys of the present screen. */
	bindKeys(keys: KeyMap): void;
	/** A key was pressed in a page of a frame. */
	press(press: Press): void;
}
