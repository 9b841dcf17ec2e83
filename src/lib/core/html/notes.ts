import { lineStarts, placeAt } from '../text/index.ts';
import { PAGE_LIMITS } from './bounded.ts';
import { attribute, type Page, type PageElement } from './page.ts';
import { styleLengths, type PageNote } from './styleLengths.ts';
import { tagsOf, type Tag } from './tags.ts';

export type { PageNote };

/** Elements without content (HTML §13.1.2): they have no end tag. */
const VOID = new Set(
	'area base basefont bgsound br col embed frame hr img input keygen link meta param source track wbr'.split(
		' '
	)
);

/** Elements whose end tag may be left out (HTML §13.1.2.4). */
const MAY_STAY_OPEN = new Set(
	'html head body li dt dd p rt rp optgroup option colgroup caption thead tbody tfoot tr td th'.split(' ')
);

/** Elements in which `/>` closes, as in XML. */
const FOREIGN = ['svg', 'math'];

/** Tags that are not closed, and end tags without a start tag. */
function* unmatched(page: Page, tags: readonly Tag[], line: (at: number) => number): Generator<PageNote> {
	const ends = new Set(page.elements.flatMap(({ endTag }) => endTag?.start ?? []));
	const open: Tag[] = [];
	/** How many of each name are open, so that stray end tags are found without looking at all of them. */
	const counts = new Map<string, number>();
	const count = (name: string, by: number): void => void counts.set(name, (counts.get(name) ?? 0) + by);
	const unclosed = ({ name, span }: Tag, until: string): PageNote => ({
		span,
		sentence: `<${name}> is not closed; a browser takes all up to ${until} to be in it.`
	});
	for (const tag of tags) {
		if (tag.kind === 'start') {
			const closed =
				VOID.has(tag.name) || (tag.selfClosing && FOREIGN.some((name) => (counts.get(name) ?? 0) > 0));
			if (closed) continue;
			open.push(tag);
			count(tag.name, 1);
			continue;
		}
		const at = counts.get(tag.name) ? open.findLastIndex(({ name }) => name === tag.name) : -1;
		const ended = tag.name === 'p' && !ends.has(tag.span.start);
		if (at < 0 || ended) {
			const why = ended && at >= 0 ? ': the paragraph was ended by what began in it' : '';
			yield { span: tag.span, sentence: `</${tag.name}> closes nothing that is open${why}.` };
		}
		if (at < 0) continue;
		count(tag.name, -1);
		for (const inner of open.splice(at).slice(1)) {
			count(inner.name, -1);
			if (!MAY_STAY_OPEN.has(inner.name)) {
				yield unclosed(inner, `</${tag.name}> on line ${line(tag.span.start)}`);
			}
		}
	}
	for (const tag of open) if (!MAY_STAY_OPEN.has(tag.name)) yield unclosed(tag, 'the end of the page');
}

/**
 * Up to so many unquoted values are reported one by one; more are a habit, or a minifier's work, and are reported
 * once.
 */
const FEW = 3;

function unquoted(source: string, tags: readonly Tag[]): PageNote[] {
	const all = tags.flatMap(({ attributes }) =>
		[...attributes].filter(([, { start, end }]) => /^[^=]*=\s*[^"'\s]/.test(source.slice(start, end)))
	);
	const [first] = all;
	if (!first) return [];
	if (all.length > FEW) {
		const sentence = `${all.length.toLocaleString('en')} values on this page stand without quotes: each ends at the first space or >.`;
		return [{ span: first[1], sentence }];
	}
	return all.map(([name, span]) => ({
		span,
		sentence: `The value of \`${name}\` stands without quotes: it ends at the first space or >.`
	}));
}

function* twice(page: Page, line: (at: number) => number): Generator<PageNote> {
	const first = new Map<string, PageElement>();
	for (const element of page.elements) {
		const id = attribute(element, 'id');
		const span = element.attributes.get('id')?.span;
		if (!id || !span) continue;
		const before = first.get(id);
		if (!before) first.set(id, element);
		else {
			const there = line(before.startTag?.start ?? 0);
			yield { span, sentence: `The id \`${id}\` is on line ${there} too; an id is for one element.` };
		}
	}
}

/** Where reading of the page stops. */
function* unread({ cut, elements }: Page, line: (at: number) => number): Generator<PageNote> {
	const span = elements.findLast(({ startTag }) => startTag)?.startTag;
	if (!cut || !span) return;
	const { elements: most, open } = PAGE_LIMITS;
	yield {
		span,
		sentence: `This page has more than ${most.toLocaleString('en')} elements, or more than ${open.toLocaleString('en')} within one another: what follows line ${line(span.start)} is shown, but not read.`
	};
}

/** Pictures with the same text as another picture: an `alt` that was forgotten when one was copied. */
function* sameAlt(page: Page, line: (at: number) => number): Generator<PageNote> {
	const first = new Map<string, PageElement>();
	for (const element of page.elements) {
		const alt = element.tag === 'img' ? attribute(element, 'alt')?.trim() : undefined;
		const span = element.attributes.get('alt')?.span;
		if (!alt || !span) continue;
		const before = first.get(alt);
		if (!before) first.set(alt, element);
		else if (attribute(before, 'src') !== attribute(element, 'src')) {
			const there = line(before.startTag?.start ?? 0);
			yield { span, sentence: `This \`alt\` is that of another picture too, on line ${there}.` };
		}
	}
}

/**
 * What browsers silently repair in a page's source: tags that are not closed or close nothing, unquoted attributes,
 * an id used twice (HTML §3.2.6), an `alt` that another picture has; and lengths in style attributes. In order of
 * place.
 */
export function pageNotes(page: Page): PageNote[] {
	const starts = lineStarts(page.source);
	const line = (at: number): number => placeAt(starts, at).line;
	const tags = tagsOf(page.source);
	return [
		...unmatched(page, tags, line),
		...unquoted(page.source, tags),
		...twice(page, line),
		...sameAlt(page, line),
		...styleLengths(page),
		...unread(page, line)
	].sort((a, b) => a.span.start - b.span.start);
}
