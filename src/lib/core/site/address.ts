/** Where an address leads, seen from a file of the site. */
export type Target =
	/** A path in the site, without a slash in front; whether such a file exists is another question. */
	| { readonly kind: 'site'; readonly path: string }
	/** Another host or scheme, as written. */
	| { readonly kind: 'outside'; readonly address: string }
	/** The content itself (`data:`), a place on the same page, or a script. */
	| { readonly kind: 'none' };

const decode = (path: string): string => {
	try {
		return decodeURIComponent(path);
	} catch {
		return path;
	}
};

/** A path without `.` and `..`; a path that leads above the root stays at the root (URL §4.4). */
export function normalPath(path: string): string {
	const parts: string[] = [];
	for (const part of path.split('/')) {
		if (part === '..') parts.pop();
		else if (part !== '.' && part !== '') parts.push(part);
	}
	return parts.join('/') + (path.endsWith('/') && parts.length > 0 ? '/' : '');
}

/**
 * Resolves an address written in the file `from` (a path in the site, or a base of it). Query and fragment are
 * dropped; percent-encoding is decoded; a path that ends in a slash means its `index.html`.
 */
export function resolveAddress(address: string, from: string): Target {
	const text = address.trim().replace(/[\t\n]/g, '');
	if (text === '' || text.startsWith('#')) return { kind: 'none' };
	const scheme = /^([a-z][a-z0-9+.-]*):/i.exec(text)?.[1]?.toLowerCase();
	if (scheme === 'data' || scheme === 'javascript' || scheme === 'about' || scheme === 'blob')
		return { kind: 'none' };
	if (scheme !== undefined || /^[\\/]{2}/.test(text)) return { kind: 'outside', address: text };
	const bare = decode(text.replace(/[?#].*$/s, '').replace(/\\/g, '/'));
	if (bare === '') return { kind: 'site', path: from };
	const directory = from.slice(0, from.lastIndexOf('/') + 1);
	const path = normalPath(bare.startsWith('/') ? bare : directory + bare);
	return { kind: 'site', path: path === '' || path.endsWith('/') ? `${path}index.html` : path };
}

/** A path in the site as an address from its root, under a prefix that ends in a slash. */
export const addressOf = (path: string, prefix: string): string =>
	prefix + path.split('/').map(encodeURIComponent).join('/');

/** A path in the site as an address written in the file `from`: relative, percent-encoded where necessary. */
export function relativeAddress(path: string, from: string): string {
	const to = path.split('/');
	const folders = from.split('/').slice(0, -1);
	let same = 0;
	while (same < folders.length && same < to.length - 1 && folders[same] === to[same]) same++;
	return [...folders.slice(same).map(() => '..'), ...to.slice(same).map(encodeURIComponent)].join('/');
}
