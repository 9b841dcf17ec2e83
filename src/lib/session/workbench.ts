import type { SiteSummary } from '../api.ts';
import type { ElementPath } from '../core/html/index.ts';
import type { FilePlace } from '../core/text/index.ts';
import type { KeyMap, Press } from './keys.ts';
import type { PageState } from './page.svelte.ts';
import type { SiteState } from './site.svelte.ts';
import type { StageConfig } from './stages.svelte.ts';

/** What is open of a site, whichever screen shows it, and what a screen can ask for. */
export interface Workbench {
	readonly site: SiteState;
	/** All sites there are. */
	readonly sites: readonly SiteSummary[];
	/** The page that is looked at. */
	readonly page: PageState;
	/** The path of the file in the sheet's panel; '' for the first of the page. */
	readonly file: string;
	/** A place of a file that is to be shown; null where none is. */
	readonly place: FilePlace | null;
	readonly selected: readonly ElementPath[];
	readonly config: StageConfig;
	/** Brings a file into the sheet's panel. */
	choose(file: string): void;
	/** Shows a place of a file on the Bench. */
	show(place: FilePlace): void;
	/** Asks what new sheet, page or file is to be made. */
	create(): void;
	/** Asks what is to become of a file: another path, a copy, or nothing. */
	change(file: string): void;
	/** Opens another page on this screen. */
	open(page: string): void;
	select(paths: readonly ElementPath[]): void;
	/** The address of a screen with a page and a file beside it: those that are open where none are named. */
	href(screen: string, page?: string, file?: string): string;
	/** Puts the keys of the screen that is shown in place. */
	bindKeys(keys: KeyMap): void;
	/** A key was pressed in a page of a frame. */
	press(press: Press): void;
}
