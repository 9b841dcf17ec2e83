import type { Case } from '../core/cascade/index.ts';
import { newRule } from '../core/css/edit/index.ts';
import { done, refuse, shifted, type FilePlace, type Result } from '../core/text/index.ts';
import type { InquiredPage } from '../inquiry/page.ts';
import { partAt, ruleFrom, type Desk } from './declaration.ts';
import { lastOf, ownFiles, ownRules } from './targets.ts';

/**
 * Adds a rule without declarations to one of our sheets, after the last rule there that matches the element,
 * otherwise at its end: to `file` where that is one of them, otherwise to the page's last. Returns the place in it
 * for the caret.
 */
export function writeNewRule(
	desk: Desk,
	page: InquiredPage,
	file: string,
	selector: string,
	of: Case
): Result<FilePlace> {
	const own = ownFiles(page, desk);
	const path = own.includes(file) ? file : own.at(-1);
	if (path === undefined)
		return refuse('Every sheet of this page is given: there is none of ours to write in.');
	const at = lastOf(ownRules(desk, of), path);
	const part = partAt(desk, path, at);
	if (!part) return refuse(`${path} has no sheet to write in.`);
	const { sheet, from } = part;
	const base = at === null ? undefined : ruleFrom(sheet, desk.working.now(path, at) - from);
	const written = newRule(sheet, selector, base);
	if (!written.ok) return refuse(written.sentence, { path, offset: from + written.place });
	desk.working.change(path, shifted(written.value.changes, from));
	return done({ path, offset: from + written.value.caret });
}
