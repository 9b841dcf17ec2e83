import {
	elementAt,
	isWithin,
	nameOfElement,
	parsePage,
	wordsIn,
	type ElementPath,
	type Page
} from '$lib/core/html/index.ts';
import { markupChanges, setAttribute } from '$lib/core/html/edit/index.ts';
import { applyChanges, chain, done, DONE, refuse, type Result } from '$lib/core/text/index.ts';
import { type AmountOn, type Trial } from '$lib/inquiry/blame.ts';
import type { FindingRow } from '$lib/inquiry/findings.ts';
import { lineageOf } from '$lib/inquiry/lineage.ts';
import type { InquiredPage } from '$lib/inquiry/page.ts';
import type { Stages } from '$lib/session/stages.svelte.ts';
import { writeValue, type Desk } from '$lib/writing/declaration.ts';
import type { Proposed } from '$lib/writing/proposed.ts';
import { choicesFor, ownFiles, type Choice } from '$lib/writing/targets.ts';

/** What can be too wide in itself: rows of cells, unbroken lines, an unbreakable word. */
export type Content = 'table' | 'code' | 'words';

/** A remedy, tried in real layout. */
export interface WidthRemedy {
	/** Its name, for a button. */
	readonly title: string;
	/** Its cost, as a sentence; '' for none. */
	readonly cost: string;
	readonly write: (desk: Desk) => Proposed;
}

/** Content that is wider than its room, whatever is declared for it. */
export interface TooWide {
	readonly content: Content;
	readonly name: string;
	/** Its minimum width, CSS px. */
	readonly needs: number;
	/** Remedies for the finding, the most suitable first. */
	readonly remedies: readonly WidthRemedy[];
}

/** The class of what scrolls sideways, where the markup gets a wrapper. */
const SCROLLS = 'scrolls-sideways';
/** At most so many descendants of an element, and so many ancestors, are examined. */
const MOST = 6;
const CONTENT_OF: Readonly<Record<string, Content>> = { table: 'table', pre: 'code' };

/** What about an element may be too wide in itself: the table or code around it, those in it, or its own words. */
function suspects(
	page: Page,
	path: ElementPath
): { readonly content: Content; readonly paths: ElementPath[] }[] {
	const element = elementAt(page, path);
	if (!element) return [];
	for (let at: typeof element | null = element; at; at = at.parent) {
		const content = CONTENT_OF[at.tag];
		if (content) return [{ content, paths: [at.path] }];
	}
	const inside = page.elements.filter(
		(one) => CONTENT_OF[one.tag] !== undefined && one !== element && isWithin(one.path, path)
	);
	return [
		...(['table', 'code'] as const).flatMap((content) => {
			const paths = inside.filter(({ tag }) => CONTENT_OF[tag] === content).map((one) => one.path);
			return paths.length > 0 ? [{ content, paths: paths.slice(0, MOST) }] : [];
		}),
		...(wordsIn(element, 1) === '' ? [] : [{ content: 'words' as const, paths: [path] }])
	];
}

/** A page after the edits on a desk. */
function written(page: InquiredPage, desk: Desk): InquiredPage {
	let after = page;
	for (const { path, changes } of desk.working.edit('').files)
		after = after.changed(path, (text) => applyChanges(text, changes));
	return after;
}

/** A page on which elements are as narrow as their content allows. */
const narrowest = (page: InquiredPage, paths: readonly ElementPath[]): InquiredPage =>
	page.changed(page.path, (text) =>
		applyChanges(
			text,
			paths.flatMap((path) => {
				const element = elementAt(page.page, path);
				const style = 'width: min-content !important; min-width: 0 !important; max-width: none !important';
				return element ? setAttribute(page.page, element, 'style', style) : [];
			})
		)
	);

/** The paths of elements once some have a wrapper each: their content is one level deeper. */
const inWrappers =
	(wrapped: readonly ElementPath[]) =>
	(path: ElementPath): ElementPath => {
		const deeper = [...path];
		for (const one of [...wrapped].reverse())
			if (isWithin(path, one) && path.length > one.length) deeper.splice(one.length, 0, 0);
		return deeper;
	};

/** What is swept, with the frames that show it. */
type Tried = Trial & { readonly layout: Stages };

/** A declaration for elements, written for every width. */
interface Setting {
	readonly path: ElementPath;
	readonly property: string;
	readonly value: string;
}

/** Finds what in a finding is too wide in itself, and tries remedies, in order of suitability. */
export async function tooWideFor(
	swept: Tried,
	row: FindingRow,
	amount: AmountOn,
	deskNow: () => Desk,
	signal: AbortSignal
): Promise<TooWide | undefined> {
	const { page, layout, as } = swept;
	const [first] = row.paths;
	if (!row.kind.overflows || !first) return undefined;
	for (const { content, paths } of suspects(page.page, first)) {
		const [path] = paths;
		const element = path && elementAt(page.page, path);
		if (!path || !element) continue;
		const least = narrowest(page, paths);
		if (signal.aborted || !((await amount(least)) > 0)) continue;
		const about = { elementQuery: { path, conditions: [] } };
		let needs = 0;
		const job = { page: least, as, about, widths: [row.worst], priority: 1, signal };
		for await (const { laid } of layout.askAt(job)) needs = laid?.width ?? 0;
		const remedies = await mending(swept, row.worst, { content, paths }, amount, deskNow, signal);
		return { content, name: nameOfElement(element), needs, remedies };
	}
	return undefined;
}

/** Writes each declaration in the place that matches the fewest elements of the page. */
async function settingsOn(
	{ page, layout, as }: Tried,
	width: number,
	settings: readonly Setting[],
	deskNow: () => Desk
): Promise<(desk: Desk) => Result> {
	const places = await Promise.all(
		settings.map(async ({ path }) => {
			const of = (await lineageOf(page, layout, path, { ...as, width })).at(width)[0];
			if (!of) return refuse('The element is no longer there.');
			return choicesFor(deskNow(), { page, paths: [path], file: '' }, [of], undefined);
		})
	);
	const selectors = places.flatMap((one) =>
		one.ok ? one.value.map(({ target }) => (target.kind === 'rule' ? target.selector : '')) : []
	);
	const hits = await layout.hits('lead', selectors);
	const count = new Map(selectors.map((selector, i) => [selector, hits[i] ?? Infinity]));
	const countOf = ({ target }: Choice): number =>
		target.kind === 'rule' ? (count.get(target.selector) ?? Infinity) : 1;
	return (desk) => {
		for (const [i, { property, value }] of settings.entries()) {
			const choices = places[i];
			if (!choices?.ok) return choices ?? refuse('The element is no longer there.');
			const [choice] = [...choices.value].sort((a, b) => countOf(a) - countOf(b));
			if (!choice) return refuse('There is no rule for it.');
			const made = writeValue(desk, choice.target, null, { property, value });
			if (!made.ok) return made;
		}
		return DONE;
	};
}

/** The remedies for content that is too wide in itself. */
async function mending(
	swept: Tried,
	width: number,
	{ content, paths }: { readonly content: Content; readonly paths: readonly ElementPath[] },
	amount: AmountOn,
	deskNow: () => Desk,
	signal: AbortSignal
): Promise<WidthRemedy[]> {
	const { page } = swept;
	const found: WidthRemedy[] = [];
	const [path = []] = paths;
	const around = Array.from({ length: Math.max(0, Math.min(MOST, path.length - 1)) }, (_, up) =>
		path.slice(0, path.length - up)
	);
	const nameOf = (at: ElementPath): string => {
		const element = elementAt(page.page, at);
		return element ? nameOfElement(element) : 'it';
	};

	/** Records a remedy if it fixes the finding; returns whether it does. */
	async function attempt(one: WidthRemedy, moved?: (path: ElementPath) => ElementPath): Promise<boolean> {
		const desk = deskNow();
		if (signal.aborted || !one.write(desk).ok) return false;
		const left = await amount(written(page, desk), moved);
		const mends = left <= 0 && !signal.aborted;
		if (mends) found.push(one);
		return mends;
	}
	const remedy = (title: string, write: (desk: Desk) => Result, cost = ''): WidthRemedy => ({
		title,
		cost,
		write: (desk) =>
			chain(write(desk), () => done({ summary: `${title}.`, notes: cost === '' ? [] : [cost] }))
	});
	const each = (property: string, value: string): Setting[] =>
		paths.map((one) => ({ path: one, property, value }));

	/** Scrolling: in a wrapper of its own, or in itself where it is a block already. */
	const inWrapper = (desk: Desk): Result => {
		if (desk.isGiven(page.path)) return refuse('The page is given.');
		const now = parsePage(desk.working.text(page.path) ?? '');
		const elements = paths.flatMap((one) => elementAt(now, one) ?? []);
		const wrapper = { tag: 'div', className: SCROLLS };
		desk.working.change(page.path, markupChanges(now, elements, { kind: 'wrap', wrapper, together: false }));
		const file = ownFiles(page, desk).at(-1);
		if (file === undefined) return refuse('There is no sheet of ours.');
		const target = { kind: 'rule', file, selector: `.${SCROLLS}`, after: null } as const;
		return writeValue(desk, target, null, { property: 'overflow-x', value: 'auto' });
	};
	const scrolls =
		content === 'code' ? await settingsOn(swept, width, each('overflow-x', 'auto'), deskNow) : inWrapper;
	const scroll = {
		table: { title: `Let it scroll sideways in a <div class="${SCROLLS}">`, write: scrolls },
		code: { title: 'Let it scroll sideways: overflow-x: auto', write: scrolls },
		words: undefined
	}[content];
	const moved = content === 'table' ? inWrappers(paths) : undefined;
	const narrow = async (at: ElementPath): Promise<(desk: Desk) => Result> =>
		settingsOn(swept, width, [{ path: at, property: 'min-width', value: '0' }], deskNow);
	if (scroll && !(await attempt(remedy(scroll.title, scroll.write), moved))) {
		// A flex or grid item around it is not narrower than its content unless it has min-width: 0.
		for (const at of around) {
			const also = await narrow(at);
			const title = `${scroll.title}, and min-width: 0 on ${nameOf(at)}`;
			const both = remedy(title, (desk) => chain(also(desk), () => scroll.write(desk)));
			if (await attempt(both, moved)) break;
		}
	}
	for (const at of around) {
		if (
			await attempt(remedy(`Let ${nameOf(at)} be narrower than its content: min-width: 0`, await narrow(at)))
		)
			break;
	}
	const breaks = [
		...(content === 'code' ? each('white-space', 'pre-wrap') : []),
		...each('overflow-wrap', 'anywhere')
	];
	const how = [...new Set(breaks.map(({ property, value }) => `${property}: ${value}`))].join('; ');
	const cost =
		content === 'code'
			? 'Long lines of code are then broken.'
			: 'Words are then broken anywhere, without a hyphen.';
	await attempt(remedy(`Let its words break: ${how}`, await settingsOn(swept, width, breaks, deskNow), cost));
	return found;
}
