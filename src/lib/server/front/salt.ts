import { randomBytes } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const LENGTH = 16;

/**
 * The salt of this data folder, made at the first start. Where it cannot be kept there it is another one at each start:
 * open pages then find their stages again after a reload.
 */
export function stageSalt(folder: string): Uint8Array {
	const file = join(folder, 'salt');
	try {
		const kept = readFileSync(file);
		if (kept.length === LENGTH) return kept;
	} catch {
		// There is none yet.
	}
	const salt = randomBytes(LENGTH);
	try {
		mkdirSync(folder, { recursive: true });
		writeFileSync(file, salt, { mode: 0o600 });
	} catch {
		// A folder that cannot be written into has its own sentence, where something is to be kept.
	}
	return salt;
}
