import { mkdtemp, readdir, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { logFile } from './log.ts';

test('a log that has grown large goes on in a new file, with the one before it beside it', async () => {
	const folder = await mkdtemp(join(tmpdir(), 'vantaggio-'));
	const path = join(folder, 'server.log');
	const read = (name: string): Promise<string> => readFile(join(folder, name), 'utf8');
	try {
		for (const of of [logFile(path, 100), logFile(path, 100)]) {
			for (let i = 0; i < 20; i++) of.write(`${i} ${'x'.repeat(16)}\n`);
		}
		expect((await readdir(folder)).sort()).toEqual(['server.log', 'server.log.1']);
		for (const name of ['server.log', 'server.log.1']) expect((await read(name)).length).toBeLessThan(130);
		expect(await read('server.log')).toMatch(/19 x+\n$/);
	} finally {
		await rm(folder, { recursive: true, force: true });
	}
});
