import { describe, expect, it } from 'vitest';
import { pageNotes, parsePage } from './index.ts';

const notes = (source: string): string[] =>
	pageNotes(parsePage(source)).map(
		({ span, sentence }) => `${source.slice(span.start, span.end)}: ${sentence}`
	);

describe('pageNotes', () => {
	it.each([
		['<!doctype html><ul><li>a<li>b</ul><p>c<p>d<img alt="x"><br>', []],
		['<svg><path d="M0 0"/><g/></svg>', []],
		['<style>a > b {}</style><script>if (1 </div>) {}</script><textarea></div></textarea>', []],
		[
			'<div>\n<section>text\n</div>',
			['<section>: <section> is not closed; a browser takes all up to </div> on line 3 to be in it.']
		],
		['<div>text', ['<div>: <div> is not closed; a browser takes all up to the end of the page to be in it.']],
		['<p>a</p></div>', ['</div>: </div> closes nothing that is open.']],
		[
			'<p>a<div>b</div></p>',
			['</p>: </p> closes nothing that is open: the paragraph was ended by what began in it.']
		],
		[
			'<a href=x.html class="y">z</a>',
			['href=x.html: The value of `href` stands without quotes: it ends at the first space or >.']
		],
		[
			'<a id=a href=b class=c title=d>z</a>',
			['id=a: 4 values on this page stand without quotes: each ends at the first space or >.']
		],
		['<input disabled>', []],
		['<p style="color: red; width: 50%"></p>', []],
		[
			'<p style="height: 412.7px; color: red"></p>',
			[
				'style="height: 412.7px; color: red": `height: 412.7px`: a script seems to have left this here; it beats the sheets at every width.'
			]
		],
		[
			'<p style="margin-top:20px"></p>',
			[
				'style="margin-top:20px": `margin-top:20px`: in a style attribute this beats the sheets at every width.'
			]
		],
		['<b id="n">1</b>\n<i id="n">2</i>', ['id="n": The id `n` is on line 1 too; an id is for one element.']],
		[
			'<img src="a.png" alt="A boat">\n<img src="b.png" alt="A boat"><img src="a.png" alt="A boat">',
			['alt="A boat": This `alt` is that of another picture too, on line 1.']
		]
	])('%s', (source, expected) => {
		expect(notes(source)).toEqual(expected);
	});
});
