import { errandFor, errandIn, unsteadyNames, requestsToHost, withErrands } from '../core/errand/index.ts';
import { whyRefused, type MarkupRequest } from '../core/html/edit/index.ts';
import { elementAt, parsePage, type ElementPath } from '../core/html/index.ts';
import { chain, decodeText, done, refuse, type Decoder, type Result } from '../core/text/index.ts';
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
	const kept = await site.kept.errand.keep((list) => [...list, ...errands], 'an errand');
	const listed = errands.length === 1 ? 'the errand' : `${errands.length} errands`;
	return chain(kept, () =>
		done(`${path} is given: the frames have it, and the Site screen lists ${listed}.`)
	);
}

/** The text of a page with its errands applied, if its markup is given, and the changes of each of them. */
export function errandsDone(site: SiteState, path: string, text: string): ReturnType<typeof withErrands> {
	const errands = site.kept.errand.list.filter(({ page, done }) => page === path && !done);
	return errands.length > 0 && site.given.has(path) ? withErrands(text, errands) : { text, steps: [] };
}

/** The text of a page with its errands applied. */
export const textWithErrands = (site: SiteState, path: string, text: string): string =>
	errandsDone(site, path, text).text;

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
	if (ofPage.length > 0) {
		await site.kept.errand.keep(
			(list) => list.map((one) => (one.page === path ? errandIn(after, one) : one)),
			`errands of ${path} looked up`
		);
	}
	site.history.asOne(`A newer save of ${path}`, () => file.replace(text));
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
