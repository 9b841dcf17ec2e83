import { elementAt, type ElementPath, type Page, type PageElement } from './page.ts';

const tagText = ({ source }: Page, { startTag }: PageElement): string =>
	startTag ? source.slice(startTag.start, startTag.end) : '';

/**
 * Where an element is after its page's text has changed: the one whose start tag precedes or follows what changed,
 * with the same text where there is a choice; within what changed, the one with the same start tag, by its number
 * among these. Null where there is none.
 */
export function followPath(before: Page, after: Page, path: ElementPath): ElementPath | null {
	const element = elementAt(before, path);
	if (!element) return null;
	// Implied by the parser, such as a missing body: it stays where it is.
	if (!element.startTag) return elementAt(after, path)?.tag === element.tag ? path : null;
	const [old, now] = [before.source, after.source];
	let head = 0;
	while (head < old.length && head < now.length && old[head] === now[head]) head++;
	let tail = 0;
	const most = Math.min(old.length, now.length) - head;
	while (tail < most && old[old.length - 1 - tail] === now[now.length - 1 - tail]) tail++;
	const { start, end } = element.startTag;
	const text = tagText(before, element);
	const startingAt = (offset: number): PageElement | undefined =>
		after.elements.find(({ tag, startTag }) => startTag?.start === offset && tag === element.tag);
	// Inserted text can begin like the text that it is inserted before: both places are considered, and the one with
	// the same text is preferred.
	const kept = start < head ? startingAt(start) : undefined;
	const moved = end > old.length - tail ? startingAt(start + now.length - old.length) : undefined;
	const found = [moved, kept].find((one) => one && tagText(after, one) === text);
	if (found) return found.path;
	const alike = (page: Page): PageElement[] => page.elements.filter((one) => tagText(page, one) === text);
	const [was, is] = [alike(before), alike(after)];
	const turn = was.findIndex((one) => one === element);
	return (is[turn] ?? kept ?? moved)?.path ?? null;
}
