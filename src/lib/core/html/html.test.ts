import { describe, expect, it } from 'vitest';
import { sliceOf } from '../css/index.ts';
import { parsePageInSteps } from './page.ts';
import {
	attribute,
	elementAround,
	elementAt,
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

it('a page is read the same in pieces, wherever they are cut', () => {
	const source =
		'<!doctype html>\n<title>a &amp; b</title><p class="x  y" id=\'z\'>🙂 &notit; &#x1F642;<!-- <b> --><svg><a xlink:href=q />' +
		'<![CDATA[ x ]]></svg><textarea>\n</p></textarea><table>foster<tr><td>1<b>2</table>3<style>a > b { }</style></b id=1><p';
	const read = (piece: number) => {
		const steps = parsePageInSteps(source, piece);
		let count = 0;
		for (;;) {
			const { done, value } = steps.next();
			if (!done) count++;
			else
				return {
					count,
					elements: value.elements.map(({ parent, children, content, ...own }) => [
						own,
						value.elements.indexOf(parent as PageElement),
						children.length,
						content.length
					])
				};
		}
	};
	const { elements } = read(source.length);
	for (const piece of [1, 2, 3, 7, 50]) {
		const found = read(piece);
		expect(found.elements).toEqual(elements);
		expect(found.count).toBe(Math.ceil(source.length / piece));
	}
});

describe('shadow trees', () => {
	it('are no children of what has them; a second template is one', () => {
		const tags = (body: string): string[] =>
			parsePage(body)
				.elements.slice(3)
				.map(({ tag }) => tag);
		expect(tags('<div><template shadowrootmode=open><i></i></template><b></b></div>')).toEqual(['div', 'b']);
		expect(tags('<x-y><template shadowrootmode=Closed></template><b></b></x-y>')).toEqual(['x-y', 'b']);
		expect(
			tags('<p><template shadowrootmode=open></template><template shadowrootmode=open></template>')
		).toEqual(['p', 'template']);
		expect(tags('<table><template shadowrootmode=open></template></table>')).toEqual(['table', 'template']);
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
