import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { build, transform, type Plugin } from 'esbuild';
import { compileModule } from 'svelte/compiler';
import { beforeAll, expect, test } from 'vitest';
import type * as fixture from './later.fixture.svelte.ts';

/** Svelte as browsers run it, with effects: tests see what runs on a server otherwise. */
const svelte: Plugin = {
	name: 'svelte',
	setup: ({ onLoad }) =>
		onLoad({ filter: /\.svelte\.ts$/ }, async ({ path: filename }) => {
			const { code } = await transform(await readFile(filename, 'utf8'), { loader: 'ts' });
			return { contents: compileModule(code, { filename, generate: 'client' }).js.code, loader: 'js' };
		})
};

let asked: typeof fixture.asked;
beforeAll(async () => {
	const { outputFiles } = await build({
		entryPoints: [join(import.meta.dirname, 'later.fixture.svelte.ts')],
		bundle: true,
		write: false,
		format: 'esm',
		conditions: ['browser'],
		plugins: [svelte]
	});
	const text = outputFiles[0]?.text ?? '';
	({ asked } = (await import(
		`data:text/javascript;base64,${Buffer.from(text).toString('base64')}`
	)) as typeof fixture);
});

const rested = () => new Promise((resolve) => setTimeout(resolve));

test('an answer about something else is never shown, and one about the same stays until the next', async () => {
	const one = asked();
	one.put('a', 1);
	one.answers.get('a 1')?.resolve('first of a');
	await rested();
	expect(one.later.value).toBe('first of a');
	one.put('a', 2);
	expect(one.later).toMatchObject({ value: 'first of a', isBusy: true });
	one.put('b', 1);
	expect(one.later.value).toBeUndefined();
	// Too late: something else is asked by now.
	one.answers.get('a 2')?.resolve('second of a');
	await rested();
	expect(one.later.value).toBeUndefined();
	one.answers.get('b 1')?.resolve('first of b');
	await rested();
	expect(one.later).toMatchObject({ value: 'first of b', isBusy: false });
	one.end();
});

test('a rejection is a sentence, of the question that it answers alone', async () => {
	const one = asked();
	one.put('a', 1);
	one.answers.get('a 1')?.reject(new Error('The frame is gone.'));
	await rested();
	expect(one.later).toMatchObject({ value: undefined, error: 'The frame is gone.', isBusy: false });
	one.put('b', 1);
	expect(one.later.error).toBe('');
	one.put(undefined, 1);
	expect(one.later).toMatchObject({ value: undefined, error: '', isBusy: false });
	one.end();
});

test('a question that is the same by what has it asked again is asked once', async () => {
	const one = asked(({ about }) => about);
	one.put('a', 1);
	one.put('a', 2);
	expect([...one.answers.keys()]).toEqual(['a 1']);
	one.answers.get('a 1')?.resolve('of a');
	await rested();
	expect(one.later.value).toBe('of a');
	one.put('b', 3);
	expect([...one.answers.keys()]).toEqual(['a 1', 'b 3']);
	one.end();
});
