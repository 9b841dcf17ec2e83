import { LIMITS, megabytes } from './limits.ts';

export interface Entry {
	/** With `/` between folders, no slash in front. */
	readonly path: string;
	readonly bytes: Uint8Array;
}

/** Something that was not imported, and why. */
export interface Refusal {
	readonly path: string;
	readonly reason: string;
}

/** Files that a person's machine makes beside the site's own. */
const LITTER = /(^|\/)(__MACOSX|\.git|\.svn|node_modules)\/|(^|\/)(\.DS_Store|Thumbs\.db|desktop\.ini)$/;

/** Whether a path is passed over without a word. */
export const isLitter = (path: string): boolean => path.endsWith('/') || LITTER.test(path);

/** Why a path cannot be taken; null where it can. */
export function pathRefusal(path: string): string | null {
	// eslint-disable-next-line no-control-regex -- control characters are what is looked for
	if (path === '' || /[\u0000-\u001f]/.test(path)) return 'its name has characters that no path may have';
	if (path.length > 500) return 'its path is longer than 500 characters';
	if (/^([/\\]|[a-z]:)/i.test(path)) return 'its path begins at the root of a disk';
	if (path.split(/[/\\]/).includes('..')) return 'its path climbs out of the site';
	return null;
}

/** Collects files within the limits and keeps account of what was refused. */
export function collector() {
	const entries = new Map<string, Entry>();
	const refused: Refusal[] = [];
	/** The first path of those that disks without case or with another normal form take for one. */
	const alike = new Map<string, string>();
	let total = 0;
	const refuse = (path: string, reason: string): void =>
		void refused.push({ path: path.slice(0, 500), reason });
	return {
		refuse,
		/** The reason why a file of that path and size (bytes) cannot come in; null where it can. */
		refusal(path: string, size: number): string | null {
			const wrong = pathRefusal(path);
			if (wrong) return wrong;
			if (entries.has(path)) return 'another file of the same path came first';
			if (size > LIMITS.file) return `it is larger than ${megabytes(LIMITS.file)}`;
			if (entries.size >= LIMITS.files) return `a site may have ${LIMITS.files.toLocaleString('en')} files`;
			if (total + size > LIMITS.unpacked) return `a site may have ${megabytes(LIMITS.unpacked)} unpacked`;
			return null;
		},
		/** Takes a file in, or refuses it with a reason. */
		take(path: string, bytes: Uint8Array): void {
			const reason = this.refusal(path, bytes.length);
			if (reason) return refuse(path, reason);
			total += bytes.length;
			const plain = path.normalize('NFC').toLowerCase();
			const first = alike.get(plain);
			if (first === undefined) alike.set(plain, path);
			else refuse(path, `kept, but some disks take its name for that of ${first}`);
			// In memory that threads share, for it is read in another one.
			const shared = new Uint8Array(new SharedArrayBuffer(bytes.length));
			shared.set(bytes);
			entries.set(path, { path, bytes: shared });
		},
		result: () => ({ entries: [...entries.values()], refused })
	};
}
