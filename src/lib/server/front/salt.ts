import { randomBytes } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const LENGTH = 16;

/**
 * The salt of this data folder, created at the first start. Where it cannot be stored, each start has another: open
 * pages then find their stages again after a reload.
 */
export function stageSalt(folder: string): Uint8Array {
	const file = join(folder, 'salt');
	try {
		const kept = readFileSync(file);
		if (kept.length === LENGTH) return kept;
	} catch {
		// It does not exist yet.
	}
	const salt = randomBytes(LENGTH);
	try {
		mkdirSync(folder, { recursive: true });
		writeFileSync(file, salt, { mode: 0o600 });
	} catch {
		// A folder that is not writable is reported where something is to be stored.
	}
	return salt;
}
