import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const site = join(import.meta.dirname, 'site');
const read = (path: string): string => readFileSync(join(site, path), 'utf8');

it('has every trouble at the line where docs/demo.md says', () => {
	const list = readFileSync(join(import.meta.dirname, '..', 'docs', 'demo.md'), 'utf8');
	const rows = [...list.matchAll(/\| `([\w./-]+):(\d+)` \| `(.+)` \|$/gm)];
	expect(rows.length).toBeGreaterThan(50);
	for (const [, path = '', line, text] of rows) {
		expect(read(path).split('\n')[Number(line) - 1], `${path}:${line}`).toContain(text);
	}
});

it('has five pages, and three sheets of together 600 to 900 lines', () => {
	expect(readdirSync(site).filter((name) => name.endsWith('.html'))).toHaveLength(5);
	const sheets = readdirSync(join(site, 'css'));
	expect(sheets).toHaveLength(3);
	const lines = sheets.reduce((sum, name) => sum + read(`css/${name}`).split('\n').length - 1, 0);
	expect(lines).toBeGreaterThanOrEqual(600);
	expect(lines).toBeLessThanOrEqual(900);
});
