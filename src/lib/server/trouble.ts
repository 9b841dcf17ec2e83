import { dataFolder } from './dataFolder.ts';
import { Problem } from './problem.ts';

/** The code of an error of the database or the file system; '' where it has none. */
export function codeOf(error: unknown): string {
	const { code, original, parent } = (error ?? {}) as {
		readonly code?: unknown;
		readonly original?: { readonly code?: unknown };
		readonly parent?: { readonly code?: unknown };
	};
	return String(original?.code ?? parent?.code ?? code ?? '');
}

const KEPT = 'Your text is kept in the browser.';

const SENTENCES: readonly (readonly [codes: RegExp, status: number, sentence: () => string])[] = [
	[
		/^(SQLITE_FULL|ENOSPC|EDQUOT)$/,
		507,
		() => 'The disk is full; your text is kept in the browser. Make room on the disk, then try again.'
	],
	[
		/^SQLITE_(BUSY|LOCKED)/,
		503,
		() => `The database is in use by another program. ${KEPT} Try again in a moment.`
	],
	[
		/^(SQLITE_(READONLY|CANTOPEN|PERM|IOERR).*|EROFS|EACCES|EPERM|EIO)$/,
		503,
		() =>
			`The data folder ${dataFolder()} cannot be written into. ${KEPT} Make the folder writable, then try again.`
	],
	[
		/^SQLITE_(CORRUPT|NOTADB)/,
		503,
		() =>
			`The database is damaged. ${KEPT} Restart the server: it sets the damaged one aside and brings over what can be read.`
	]
];

/** A failure of the disk or the database in words for people, as a problem with advice; null for any other error. */
export function troubleOf(error: unknown): Problem | null {
	const code = codeOf(error);
	const found = SENTENCES.find(([codes]) => codes.test(code));
	return found ? new Problem(found[1], found[2]()) : null;
}
