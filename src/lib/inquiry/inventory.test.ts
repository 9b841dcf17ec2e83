import { expect, it } from 'vitest';
import { inventoryOf } from './inventory.ts';

it('tells what is missing by what it is; a font is not where another format of it is here or in the sheet', () => {
	const texts = new Map([
		[
			'index.html',
			'<link rel=stylesheet href=a.css><script src=go.js></script><track src=words.vtt><img src=sea.png>'
		],
		[
			'a.css',
			`@font-face { font-family: A; src: url(a.woff2), url(a.woff) }
@font-face { font-family: B; src: url(b.woff2), url(data:font/woff;base64,AAAA) }
@font-face { font-family: C; src: url(c.woff2), url(c.woff) }`
		]
	]);
	const files = [
		{ path: 'index.html', kind: 'page' as const },
		{ path: 'a.css', kind: 'sheet' as const },
		{ path: 'a.woff', kind: 'font' as const }
	];
	const { missing } = inventoryOf(files, (path) => texts.get(path));
	expect(missing.map(({ kind, name }) => `${kind} ${name}`)).toEqual([
		'script go.js',
		'other words.vtt',
		'picture sea.png',
		'font c.woff2',
		'font c.woff'
	]);
});
