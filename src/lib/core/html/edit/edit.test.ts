import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChanges, inverted, type Change } from '../../text/index.ts';
import { elementAt, parsePage, type Page, type PageElement } from '../index.ts';
import {
	duplicate,
	exchange,
	insertHtml,
	insertSheet,
	moveAmong,
	setAttribute,
	setWords,
	sourceOfText,
	takeClass,
	unwrap,
	whyRefused,
	wrapElements,
	wrapWords
} from './index.ts';

const bodyOf = (page: Page): PageElement => elementAt(page, [1]) ?? page.root;

/** A body after something was done to its first element. */
function done(body: string, make: (page: Page, element: PageElement) => readonly Change[]): string {
	const source = `<!doctype html><body>${body}`;
	const page = parsePage(source);
	const [first] = bodyOf(page).children;
	return first ? applyChanges(source, make(page, first)).slice('<!doctype html><body>'.length) : '';
}

describe('an attribute', () => {
	it.each([
		['<p>x', 'lang', 'en', '<p lang="en">x'],
		['<br />', 'id', 'a', '<br id="a" />'],
		["<p lang='de' id=a>x", 'lang', "e'n", "<p lang='e&#39;n' id=a>x"],
		['<p id=a>x', 'id', 'b c', '<p id="b c">x'],
		['<p hidden>x', 'hidden', 'until-found', '<p hidden="until-found">x'],
		['<p>x', 'hidden', '', '<p hidden>x'],
		['<img alt="&amp;">', 'alt', '&lt "', '<img alt="&amp;lt &quot;">'],
		['<p lang="de" id=a>x', 'lang', null, '<p id=a>x'],
		['<p lang="de">x', 'lang', 'de', '<p lang="de">x'],
		['<p>x', 'lang', null, '<p>x']
	])('%s with %s %j', (body, name, value, result) => {
		expect(done(body, (page, one) => setAttribute(page, one, name, value))).toBe(result);
	});

	it.each([
		['<p class="a b c">', 'b', '<p class="a c">'],
		['<p class="a b">', 'b', '<p class="a">'],
		['<p class="a  a b">', 'a', '<p class="b">'],
		['<p class=a id=b>', 'a', '<p id=b>'],
		['<p class="a&#45;b c">', 'a-b', '<p class="c">'],
		['<p class="a b">', 'c', '<p class="a b">']
	])('%s loses the class %s', (body, name, result) => {
		expect(done(body, (page, one) => takeClass(page, one, name))).toBe(result);
	});
});

describe('an element', () => {
	it('is wrapped on lines of its own, or straight around', () => {
		const wrap = (page: Page, one: PageElement) => wrapElements(page, [one], { tag: 'div', className: 'w' });
		expect(done('\n  <p>\n    x\n  </p>\n', wrap)).toBe(
			'\n  <div class="w">\n    <p>\n      x\n    </p>\n  </div>\n'
		);
		expect(done('a <b>x</b> c', wrap)).toBe('a <div class="w"><b>x</b></div> c');
		expect(done('\n\t<pre>\n\tx</pre>\n', wrap)).toBe('\n\t<div class="w"><pre>\n\tx</pre></div>\n');
		const two = (page: Page, one: PageElement) =>
			wrapElements(page, [one, ...(one.parent?.children.slice(1, 2) ?? [])], { tag: 'div' });
		expect(done('\n\t<p>a</p>\n\t<p>b</p>\n', two)).toBe('\n\t<div>\n\t\t<p>a</p>\n\t\t<p>b</p>\n\t</div>\n');
	});

	it('goes out of its tags', () => {
		expect(done('\n  <div>\n    <p>x</p>\n  </div>\n', unwrap)).toBe('\n  <p>x</p>\n');
		expect(done('a <b>x</b> c', unwrap)).toBe('a x c');
	});

	it('is exchanged with its neighbour, and copied with other ids', () => {
		expect(done('<p>a</p>\n<p id=b>b</p>', (page, one) => moveAmong(page, one, 1))).toBe(
			'<p id=b>b</p>\n<p>a</p>'
		);
		expect(done('<p>a</p>', (page, one) => moveAmong(page, one, -1))).toBe('<p>a</p>');
		expect(
			done('\n\t<div id=a><a href="#a"></a><label for=a>x</label></div>\n<i id=a-2></i>', duplicate)
		).toBe(
			'\n\t<div id=a><a href="#a"></a><label for=a>x</label></div>\n\t<div id="a-3"><a href="#a-3"></a><label for="a-3">x</label></div>\n<i id=a-2></i>'
		);
	});

	it('says other words', () => {
		expect(done('<p>\n  old\n</p>', (page, one) => setWords(page, one, ' a < b &amp '))).toBe(
			'<p>\n  a &lt; b &amp;amp\n</p>'
		);
		expect(done('<p>a <b>b</b></p>', (page, one) => setWords(page, one, 'c'))).toBe('<p>a <b>b</b></p>');
		const words = (page: Page) => {
			const start = page.source.indexOf('from');
			return wrapWords(page, { start: start - 1, end: start + 5 }, { tag: 'small' });
		};
		expect(done('<p>all from 3.20</p>', words)).toBe('<p>all <small>from</small> 3.20</p>');
	});
});

/** What a page is made of, without places. */
const said = (source: string): string[] =>
	parsePage(source).elements.map(
		({ tag, attributes, text }) =>
			`${tag} ${[...attributes].map(([name, { value }]) => `${name}=${value}`).join(' ')} ${text.replace(/\s+/g, ' ')}`
	);

it('changes what is meant and nothing else, and is taken back to the byte', () => {
	const attribute = fc.constantFrom('', ' id=a', ' class="x y"', " lang='de'", ' hidden');
	const { page: body } = fc.letrec((tie) => ({
		one: fc
			.tuple(fc.constantFrom('div', 'p', 'span'), attribute, fc.constantFrom('', '\n\t', ' '), tie('many'))
			.map(([tag, more, space, inner]) => `${space}<${tag}${more}>${String(inner)}</${tag}>${space}`),
		many: fc.oneof({ depthSize: 'small' }, fc.constantFrom('words', ''), tie('one'), tie('page')),
		page: fc.array(tie('one'), { minLength: 1, maxLength: 3 }).map((all) => all.join(''))
	}));
	fc.assert(
		fc.property(body, fc.nat(20), (inner, n) => {
			const source = `<!doctype html><body>${String(inner)}`;
			const page = parsePage(source);
			const all = page.elements.filter(({ span, tag }) => span && !/^(html|head|body)$/.test(tag));
			const element = all[n % all.length];
			// Markup that the parser mends has other ends than it seems to have.
			if (!element?.endTag) return;
			const back = (changes: readonly Change[]): string => {
				const after = applyChanges(source, changes);
				expect(applyChanges(after, inverted(source, changes))).toBe(source);
				return after;
			};
			const lang = back(setAttribute(page, element, 'lang', 'en'));
			const was = said(source);
			expect(said(lang).filter((one, i) => one !== was[i]).length).toBeLessThanOrEqual(1);
			if (!/p/.test(element.tag + (element.parent?.tag ?? ''))) {
				const wrapped = parsePage(back(wrapElements(page, [element], { tag: 'div' })));
				expect(wrapped.elements.length).toBe(page.elements.length + 1);
			}
			back(moveAmong(page, element, 1));
			back(duplicate(page, element));
			back(unwrap(page, element));
		}),
		{ numRuns: 300 }
	);
});

describe('words of an element’s text', () => {
	const find = (source: string, start: number, end: number): string | undefined => {
		const page = parsePage(source);
		const element = page.elements.find(({ tag }) => tag === 'p');
		const span = element && sourceOfText(page, element, start, end);
		return span && source.slice(span.start, span.end);
	};

	it.each([
		['<p>One two three</p>', 4, 7, 'two'],
		['<p>A &amp; b &#128674;x</p>', 4, 8, 'b &#128674;'],
		['<p><b>One</b> two</p>', 4, 7, 'two'],
		['<p><b>One</b> two</p>', 0, 3, 'One'],
		['<p>One <!-- > --> two</p>', 5, 8, 'two'],
		['<p>On<b>e two</b></p>', 0, 3, undefined],
		['<p>One</p>', 2, 9, undefined]
	])('%j from %d to %d', (source, start, end, result) => {
		expect(find(source, start, end)).toBe(result);
	});
});

describe('a sheet among those of a page', () => {
	const put = (source: string, place: 'first' | 'last' | number): string => {
		const page = parsePage(source);
		const after = typeof place === 'number' ? page.elements[place] : undefined;
		const at = typeof place === 'number' ? { after: after ?? page.root } : place;
		return applyChanges(source, insertSheet(page, '<style>\n</style>', at));
	};

	it.each([
		[
			'<head>\n\t<link rel=stylesheet href=a>\n</head>',
			'last',
			'<head>\n\t<link rel=stylesheet href=a>\n\t<style>\n\t</style>\n</head>'
		],
		[
			'<head>\n\t<link rel=stylesheet href=a>\n</head>',
			'first',
			'<head>\n\t<style>\n\t</style>\n\t<link rel=stylesheet href=a>\n</head>'
		],
		[
			'<link rel=stylesheet href=a><link rel=stylesheet href=b>',
			2,
			'<link rel=stylesheet href=a>\n<style>\n</style><link rel=stylesheet href=b>'
		],
		['<head><title>x</title></head>', 'last', '<head><title>x</title><style>\n</style></head>'],
		['<head></head><body>', 'first', '<head><style>\n</style>\n</head><body>'],
		['<!doctype html>\n<p>x', 'last', '<!doctype html>\n<style>\n</style>\n<p>x'],
		['', 'last', '<style>\n</style>\n']
	] as [string, 'first' | 'last' | number, string][])('%j, %s', (source, place, expected) => {
		expect(put(source, place)).toBe(expected);
	});

	it('is exchanged with another, and what is between them stays', () => {
		const source = '<link rel=stylesheet href=a>\n<meta name=x>\n<style>b{}</style>';
		const page = parsePage(source);
		const [a, b] = ['link', 'style'].map((tag) => page.elements.find((one) => one.tag === tag) ?? page.root);
		expect(a && b && applyChanges(source, exchange(page, a, b))).toBe(
			'<style>b{}</style>\n<meta name=x>\n<link rel=stylesheet href=a>'
		);
	});
});

describe('HTML is added', () => {
	const LINED = '\n\t<ul>\n\t\t<li>a</li>\n\t</ul>\n';
	it.each([
		['before', LINED, '<p>x</p>', '\n\t<p>x</p>\n\t<ul>\n\t\t<li>a</li>\n\t</ul>\n'],
		['after', LINED, '<p>\n\tx\n</p>\n', '\n\t<ul>\n\t\t<li>a</li>\n\t</ul>\n\t<p>\n\t\tx\n\t</p>\n'],
		['first', LINED, '<li>0</li>', '\n\t<ul>\n\t\t<li>0</li>\n\t\t<li>a</li>\n\t</ul>\n'],
		['last', LINED, '<li>b</li>', '\n\t<ul>\n\t\t<li>a</li>\n\t\t<li>b</li>\n\t</ul>\n'],
		['last', '\n\t<div></div>\n', '<p>x</p>', '\n\t<div>\n\t\t<p>x</p>\n\t</div>\n'],
		['last', '<p>a <b>c</b></p>', '<i>d</i>', '<p>a <b>c</b><i>d</i></p>'],
		['after', '<p>a\n<p>b', '<hr>', '<p>a\n<hr><p>b'],
		['last', '<img>', '<p>x</p>', '<img>']
	] as const)('%s, on lines as those around it', (place, body, html, after) => {
		expect(done(body, (page, element) => insertHtml(page, element, html, place))).toBe(after);
	});

	it('only where it can stand', () => {
		const page = parsePage('<!doctype html><body><div><p>a</p></div><table><tbody><tr><td>x</table>');
		const why = (tag: string, html: string, place: 'before' | 'last'): string | null =>
			whyRefused(
				page,
				page.elements.filter((one) => one.tag === tag),
				{ kind: 'insert', html, place }
			);
		expect(why('p', '<b>x</b>', 'last')).toBeNull();
		expect(why('p', 'words', 'last')).toBeNull();
		expect(why('tr', '<td>y', 'last')).toBeNull();
		expect(why('p', '</p><b>x</b>', 'last')).toMatch('closes the p');
		expect(why('p', '</div><b>x</b>', 'before')).toMatch('closes the div');
		expect(why('p', '<div>x</div>', 'last')).toMatch('closes the p');
		expect(why('p', '</p><p>x', 'last')).toMatch('closes the p');
		expect(why('p', '<td>x</td>', 'before')).toMatch('adds no element');
		expect(why('body', '<p>', 'before')).toBe('Nothing can be added beside a body.');
	});
});
