import {
	errandFor,
	errandIn,
	errandSentence,
	requestsToHost,
	unsteadyNames,
	withErrands,
	type Errand,
	type ErrandChange
} from '../core/errand/index.ts';
import { whyRefused, type MarkupRequest } from '../core/html/edit/index.ts';
import { elementAt, parsePage, type ElementPath } from '../core/html/index.ts';
import { chain, decodeText, done, refuse, type Decoder, type Result } from '../core/text/index.ts';
import { keepErrands } from './listedErrands.ts';
import type { SiteState } from './site.svelte.ts';

/**
 * Turns a request for elements of a given page into errands, which frames show at once. The sentence says what was
 * done.
 */
export async function errandsTo(
	site: SiteState,
	path: string,
	paths: readonly ElementPath[],
	request: MarkupRequest
): Promise<Result<string>> {
	const page = parsePage(textWithErrands(site, path, site.texts.get(path)?.text ?? ''));
	const elements = paths.flatMap((one) => elementAt(page, one) ?? []);
	const why = whyRefused(page, elements, request);
	if (why !== null) return refuse(why);
	const requests = requestsToHost(page, elements, request);
	if (!requests)
		return refuse(`${path} is given: its host can be asked for other words within one element only.`);
	const errands = requests.map(([element, one]) => errandFor(path, element, one));
	const [first] = errands;
	const sentence = first ? errandSentence(page, first) : '';
	const what = errands.length > 1 ? `${errands.length} errands added` : 'Errand added';
	const kept = await changeErrands(site, what, sentence, (list) =>
		errands.map((now, i) => ({ at: list.length + i, was: null, now }))
	);
	const listed = errands.length === 1 ? 'the errand' : `${errands.length} errands`;
	return chain(kept, () =>
		done(`${path} is given: the frames have it, and the Site screen lists ${listed}.`)
	);
}

/** Changes the list of errands, as one step of the history; `sentence` describes the first of them. */
function changeErrands(
	site: SiteState,
	what: string,
	sentence: string,
	changesOf: (list: readonly Errand[]) => readonly ErrandChange[]
): Promise<Result> {
	const words = `${what}: ${sentence.replace(/\.$/, '')}`;
	return keepErrands(site, words, changesOf, (errands) => {
		if (errands.length > 0) site.history.asOne(words, () => undefined, { errands });
	});
}

/** Removes an errand from the list, as one step of the history. */
export const removeErrand = (site: SiteState, errand: Errand, sentence: string): Promise<Result> =>
	changeErrands(site, 'Errand removed', sentence, (list) => {
		const at = list.indexOf(errand);
		return at < 0 ? [] : [{ at, was: errand, now: null }];
	});

/**
 * The text of a page with its errands applied, if its markup is given, and the changes of each of them; with the
 * present errands, or others.
 */
export function errandsDone(
	site: SiteState,
	path: string,
	text: string,
	list: readonly Errand[] = site.kept.errand.list
): ReturnType<typeof withErrands> {
	const errands = list.filter(({ page, done }) => page === path && !done);
	return errands.length > 0 && site.given.has(path) ? withErrands(text, errands) : { text, steps: [] };
}

/** The text of a page with its errands applied; with the present ones, or others. */
export const textWithErrands = (
	site: SiteState,
	path: string,
	text: string,
	list?: readonly Errand[]
): string => errandsDone(site, path, text, list).text;

/** The browser's own decoders; nothing is encoded here. */
const DECODER: Decoder = {
	knows(encoding) {
		try {
			return new TextDecoder(encoding).encoding !== '';
		} catch {
			return false;
		}
	},
	decode: (bytes, encoding) => new TextDecoder(encoding, { ignoreBOM: true }).decode(bytes)
};

/**
 * Takes a newer save of a page as an unsaved change of its text: unsteady names that it reveals are recorded, and
 * errands that it fulfils are ticked off. The sentences say so.
 */
export async function takeNewerSave(
	site: SiteState,
	path: string,
	bytes: Uint8Array
): Promise<Result<string>> {
	const { text } = decodeText(bytes, DECODER);
	const file = site.texts.get(path);
	if (!file) return refuse('The page is not there any more.');
	file.settle();
	if (file.text === text) return done(`It is ${path} as it is here.`);
	const [before, after] = [parsePage(file.text), parsePage(text)];
	const proved = unsteadyNames(path, before, after);
	const known = new Set(site.kept.unsteady.list.map(({ kind, name }) => `${kind} ${name}`));
	const fresh = proved.filter(({ kind, name }) => !known.has(`${kind} ${name}`));
	if (fresh.length > 0) await site.kept.unsteady.keep((list) => [...list, ...fresh], 'unsteady names');
	const ofPage = site.kept.errand.list.filter(({ page, done }) => page === path && !done);
	const ticked = ofPage.filter((errand) => errandIn(after, errand).done);
	let errands: readonly ErrandChange[] = [];
	if (ofPage.length > 0) {
		await keepErrands(
			site,
			`errands of ${path} looked up`,
			(list) =>
				list.flatMap((was, at) => (was.page === path ? [{ at, was, now: errandIn(after, was) }] : [])),
			(changes) => (errands = changes)
		);
	}
	site.history.asOne(
		`A newer save of ${path}`,
		() => file.replace(text),
		errands.length > 0 ? { errands } : {}
	);
	const named = proved.map(({ kind, name }) => `the ${kind} ${name}`);
	const sentences = [
		`A newer save of ${path} is in its place; nothing is saved yet.`,
		proved.length > 0
			? `It proves unsteady: ${named.slice(0, 5).join(', ')}${named.length > 5 ? ` and ${named.length - 5} more` : ''}.`
			: '',
		ticked.length > 0 ? `${ticked.length === 1 ? 'One errand is' : `${ticked.length} errands are`} done.` : ''
	];
	return done(sentences.filter(Boolean).join(' '));
}
