import { expect, it } from 'vitest';
import type { FileRecord } from '../api.ts';
import { SiteFiles } from './siteFiles.svelte.ts';
import type { FileText } from './texts.svelte.ts';

const record = (path: string): FileRecord => ({
	path,
	kind: 'picture',
	hash: 'x',
	size: 1,
	width: null,
	height: null,
	text: null,
	ownLines: null
});

it('a path leads to where its file went, unless there is another file at it by now', () => {
	const files = new SiteFiles((): FileText => {
		throw new Error('None of them is a text.');
	});
	files.take([record('a'), record('x')]);
	files.change({ from: 'a', to: 'b', hash: 'x' });
	files.change({ from: 'b', to: 'c', hash: 'x' });
	expect([files.pathNow('a'), files.pathNow('b'), files.pathNow('x')]).toEqual(['c', 'c', 'x']);
	const takeBack = files.change({ from: 'c', to: 'a', hash: 'x' });
	expect([files.pathNow('a'), files.pathNow('b')]).toEqual(['a', 'a']);
	takeBack();
	files.take([record('a'), record('c'), record('x')]);
	expect([files.pathNow('a'), files.pathNow('b')]).toEqual(['a', 'c']);
});
