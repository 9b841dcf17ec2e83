import { closeSync, fstatSync, mkdirSync, openSync, renameSync, writeSync } from 'node:fs';
import { dirname, join } from 'node:path';
import pino from 'pino';
import { dataFolder } from './dataFolder.ts';

/** The pause in logging after a failure, ms. */
const REST = 10_000;

/** The maximum size of a log, bytes; the previous one is kept beside it as `.1`. */
const MOST = 10_000_000;

/** A log file, written when possible: a log may be lost, a request not. */
export function logFile(path: string, most = MOST): { write(line: string): void } {
	let file: number | undefined;
	let size = 0;
	let silent = 0;
	const fail = (): void => {
		if (file !== undefined) closeSync(file);
		file = undefined;
		silent = Date.now() + REST;
	};
	return {
		write(line) {
			if (Date.now() < silent) return;
			try {
				if (file !== undefined && size > most) {
					closeSync(file);
					file = undefined;
					renameSync(path, `${path}.1`);
				}
				if (file === undefined) {
					mkdirSync(dirname(path), { recursive: true });
					file = openSync(path, 'a');
					({ size } = fstatSync(file));
				}
				size += writeSync(file, line);
			} catch {
				fail();
			}
		}
	};
}

/** One line per request, beside the data, so that the console only shows the address to open. */
export const log = pino(
	{ level: process.env.VANTAGGIO_LOG ?? 'info', base: null },
	logFile(join(dataFolder(), 'server.log'))
);
