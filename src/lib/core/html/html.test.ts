import { describe, expect, it } from 'vitest';
import { sliceOf } from '../css/index.ts';
import {
	attribute,
	elementAround,
	elementAt,
	inertSource,
	innerSpan,
	nameOfElement,
	parsePage,
	wordsIn,
	type PageElement
} from './index.ts';

describe('parsePage', () => {
	it('gives each element its path and its place in the source', () => {
		const source = '<!doctype html><title>x</title><body><p class=a>one<p>two<table><tr><td>three</table>';
		const page = parsePage(source);
		const cell = elementAt(page, [1, 2, 0, 0, 0]);
		expect(cell?.tag).toBe('td');
		expect(sliceOf(source, cell?.span ?? { start: 0, end: 0 })).toBe('<td>three');
		expect(elementAt(page, [1, 2, 0])).toMatchObject({ tag: 'tbody', span: null });
		expect(attribute(page.root.children[1]?.children[0] ?? page.root, 'class')).toBe('a');
		expect(elementAround(page, source.indexOf('two')).tag).toBe('p');
	});

	it('reads a page as frames do, with scripting off', () => {
		const page = parsePage('<body><noscript><p>shown</p></noscript><template><i></i></template>');
		expect(page.elements.map(({ tag }) => tag)).toEqual([
			'html',
			'head',
			'body',
			'noscript',
			'p',
			'template'
		]);
	});
});

describe('inertSource', () => {
	const inert = (source: string): string => inertSource(parsePage(source));

	it('sets aside what would load or go elsewhere', () => {
		expect(inert('<body><iframe src="http://a.test/"></iframe><embed src=x><object data=y></object>')).toBe(
			'<body><iframe data-aside-src="http://a.test/"></iframe><embed data-aside-src=x><object data-aside-data=y></object>'
		);
		expect(inert('<meta http-equiv=refresh content="0;url=x">')).toBe(
			'<meta data-aside-http-equiv=refresh content="0;url=x">'
		);
		expect(inert('<link rel="preload" href=x><input autofocus>')).toBe(
			'<link data-aside-rel="preload" href=x><input data-aside-autofocus>'
		);
	});

	it('is not fooled by an attribute named twice', () => {
		const once = parsePage(inert('<body><iframe src=a src=b srcdoc=c></iframe>'));
		const frame = once.elements.find(({ tag }) => tag === 'iframe');
		expect([...(frame?.attributes.keys() ?? [])].filter((name) => /^src/.test(name))).toEqual([]);
	});

	it('makes sheets empty style elements in the same places', () => {
		const source =
			'<head><link rel="stylesheet" id="a" media="(width > 1px)" href="a.css"><style>p{}</style><style type="text/x">q</style>';
		expect(inert(source)).toBe(
			'<head><style id="a" media="(width &gt; 1px)"></style><style></style><style type="text/x">q</style>'.replace(
				'&gt;',
				'>'
			)
		);
		const before = parsePage(source).elements.map(({ path }) => path.join());
		expect(parsePage(inert(source)).elements.map(({ path }) => path.join())).toEqual(before);
	});

	it('leaves all else as it is', () => {
		const source =
			'<!DOCTYPE html>\n<a href=x onclick="y()">z</a><script src=s.js></script><img src="i.png">';
		expect(inert(source)).toBe(source);
		expect(innerSpan(parsePage('<style>a{}').elements[2] ?? parsePage('').root)).toEqual({
			start: 7,
			end: 10
		});
	});
});

describe('names and words', () => {
	it('are those a person would use', () => {
		const page = parsePage('<p id=a class="one  two"><b>F</b>irst of <i>many</i><script>no()</script></p>');
		const p = page.elements.find(({ tag }) => tag === 'p') as PageElement;
		expect(nameOfElement(p)).toBe('p#a.one.two');
		expect(wordsIn(p)).toBe('First of many');
		expect(wordsIn(p, 9)).toBe('First of…');
	});
});
