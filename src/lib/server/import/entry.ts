import { DONE, refuse, type Result } from '../../core/text/index.ts';
import { LIMITS, megabytes } from './limits.ts';

export interface Entry {
	/** With `/` between folders, no slash in front. */
	readonly path: string;
	readonly bytes: Uint8Array;
}

/** A file that was not imported, and why. */
export interface RefusedFile {
	readonly path: string;
	readonly reason: string;
}

/** Files that operating systems add to a folder. */
const LITTER = /(^|\/)(__MACOSX|\.git|\.svn|node_modules)\/|(^|\/)(\.DS_Store|Thumbs\.db|desktop\.ini)$/;

/** Whether a path is ignored silently. */
export const isLitter = (path: string): boolean => path.endsWith('/') || LITTER.test(path);

/** Refuses an invalid path of a file; the result is part of a sentence. */
export function checkPath(path: string): Result {
	// eslint-disable-next-line no-control-regex -- control characters are what is looked for
	if (path === '' || /[\u0000-\u001f]/.test(path))
		return refuse('its name has characters that no path may have');
	if (path.length > 500) return refuse('its path is longer than 500 characters');
	if (/^([/\\]|[a-z]:)/i.test(path)) return refuse('its path begins at the root of a disk');
	if (path.split(/[/\\]/).includes('..')) return refuse('its path climbs out of the site');
	return DONE;
}

/** Collects files within the limits, and records what was refused. */
export function collector() {
	const entries = new Map<string, Entry>();
	const refused: RefusedFile[] = [];
	/** The first path among those that are equal on file systems without case, or with another Unicode normal form. */
	const alike = new Map<string, string>();
	let total = 0;
	const leaveOut = (path: string, reason: string): void =>
		void refused.push({ path: path.slice(0, 500), reason });
	return {
		leaveOut,
		/** Refuses a file by its path and size (bytes). */
		check(path: string, size: number): Result {
			const checked = checkPath(path);
			if (!checked.ok) return checked;
			if (entries.has(path)) return refuse('another file of the same path came first');
			if (size > LIMITS.file) return refuse(`it is larger than ${megabytes(LIMITS.file)}`);
			if (entries.size >= LIMITS.files)
				return refuse(`a site may have ${LIMITS.files.toLocaleString('en')} files`);
			if (total + size > LIMITS.unpacked)
				return refuse(`a site may have ${megabytes(LIMITS.unpacked)} unpacked`);
			return DONE;
		},
		/** Accepts a file, or leaves it out with a reason. */
		take(path: string, bytes: Uint8Array): void {
			const checked = this.check(path, bytes.length);
			if (!checked.ok) return leaveOut(path, checked.sentence);
			total += bytes.length;
			const plain = path.normalize('NFC').toLowerCase();
			const first = alike.get(plain);
			if (first === undefined) alike.set(plain, path);
			else leaveOut(path, `kept, but some disks take its name for that of ${first}`);
			// In shared memory, because another thread reads it.
			const shared = new Uint8Array(new SharedArrayBuffer(bytes.length));
			shared.set(bytes);
			entries.set(path, { path, bytes: shared });
		},
		result: () => ({ entries: [...entries.values()], refused })
	};
}
