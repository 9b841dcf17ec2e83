import {
	referencesOfPage,
	referencesOfSheet,
	sheetsOfPage,
	sourcesOf,
	type AskedKind,
	type FileKind,
	type Reference,
	type Target
} from '../core/site/index.ts';

/** A file that the site lacks, and the files that refer to it. */
export interface Missing {
	readonly kind: AskedKind;
	readonly name: string;
	/** True for an address on another host, which is never fetched. */
	readonly outside: boolean;
	readonly from: readonly string[];
}

export interface PageEntry {
	readonly path: string;
	/** Sheets in cascade order; a null path is a style element of the page itself. */
	readonly sheets: readonly { readonly path: string | null; readonly here: boolean }[];
}

export interface Inventory {
	readonly pages: readonly PageEntry[];
	/** Sheets that no page uses, neither directly nor through an import. */
	readonly unused: readonly string[];
	readonly missing: readonly Missing[];
}

/** The contents of a site, read from its texts. */
export function inventoryOf(
	files: readonly { readonly path: string; readonly kind: FileKind }[],
	text: (path: string) => string | undefined
): Inventory {
	const sources = sourcesOf(text);
	const known = new Set(files.map(({ path }) => path));
	const references: Reference[] = [];
	const used = new Set<string>();
	const pages = files
		.filter(({ kind }) => kind === 'page')
		.map(({ path }): PageEntry => {
			const page = sources.page(text(path) ?? '');
			references.push(...referencesOfPage(page, path, sources));
			const sheets = sheetsOfPage(page, path).map(({ from }) => {
				if (from.kind === 'inline') return { path: null, here: true };
				if (from.kind === 'outside') return { path: from.address, here: false };
				used.add(from.path);
				return { path: from.path, here: known.has(from.path) };
			});
			return { path, sheets };
		});
	const sheets = files.filter(({ kind }) => kind === 'sheet').map(({ path }) => path);
	for (const path of sheets) references.push(...referencesOfSheet(sources.sheet(text(path) ?? ''), path));
	for (const { kind, target } of references)
		if (kind === 'sheet' && target.kind === 'site') used.add(target.path);
	return { pages, unused: sheets.filter((path) => !used.has(path)), missing: missingOf(references, known) };
}

function missingOf(references: readonly Reference[], known: ReadonlySet<string>): Missing[] {
	const missing = new Map<string, { kind: AskedKind; name: string; outside: boolean; from: Set<string> }>();
	/** Whether an alternative is available; `data:` addresses name no file, and are in the sheet itself. */
	const isHere = (target: Target): boolean =>
		target.kind === 'none' || (target.kind === 'site' && known.has(target.path));
	for (const { kind, target, from, choices } of references) {
		// Browsers use another format of the font where the site has one.
		if (choices?.some(isHere)) continue;
		const outside = target.kind === 'outside';
		const name = outside ? target.address : target.path;
		// Links to other hosts are not parts of a page.
		if ((outside && kind === 'page') || known.has(name) || (!outside && known.has(`${name}/index.html`)))
			continue;
		const entry = missing.get(name) ?? { kind, name, outside, from: new Set() };
		entry.from.add(from);
		missing.set(name, entry);
	}
	return [...missing.values()].map((entry) => ({ ...entry, from: [...entry.from] }));
}
